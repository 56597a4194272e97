import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { SignedIn } from './session';

/** The way out. What waits to be saved stays on this device, and is sent once somebody has signed in again. */
@Component({
  selector: 'lv-sign-out',
  imports: [Button],
  template: `<p-button label="Sign out" size="small" [text]="true" (onClick)="signOut()" />`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignOut {
  private readonly signed = inject(SignedIn);
  private readonly router = inject(Router);

  protected async signOut(): Promise<void> {
    await this.signed.signOut();
    await this.router.navigateByUrl('/sign-in');
  }
}
