import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { roleNames } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { SignedIn } from './session';

/** Who has signed in, and the way out; in the demo, that nobody had to. */
@Component({
  selector: 'lv-who-is-in',
  imports: [Button],
  template: `
    @if (who(); as who) {
      @if (who.automatic) {
        <span class="small soft" data-who>signed in by itself, on this machine</span>
      } @else {
        <span class="small" data-who
          ><b>{{ who.name }}</b
          >, {{ role() }} at {{ who.workspace.name }}</span
        >
        <p-button label="Sign out" size="small" [text]="true" (onClick)="signOut()" />
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      align-items: center;
      gap: 0.3rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhoIsIn {
  private readonly signed = inject(SignedIn);
  private readonly router = inject(Router);
  protected readonly who = this.signed.who;
  protected readonly role = computed(() => {
    const who = this.who();
    return who ? roleNames[who.workspace.role].toLowerCase() : '';
  });

  protected async signOut(): Promise<void> {
    await this.signed.signOut();
    await this.router.navigateByUrl('/sign-in');
  }
}
