import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { problemText } from '../data/jobs-api';
import { DeviceTraces, type Unsent } from './device-traces';
import { SignedIn } from './session';

const counted = (count: number, one: string, many: string): string =>
  count === 0 ? '' : count === 1 ? one : many.replace('#', String(count));

/** The way out. Nothing of the company stays on this device, but what the server does not have yet: about that he is asked. */
@Component({
  selector: 'lv-sign-out',
  imports: [Button, Dialog],
  template: `
    <p-button label="Sign out" size="small" [text]="true" [loading]="isLooking()" (onClick)="ask()" />
    @if (unsent(); as found) {
      <p-dialog
        closeAriaLabel="Close"
        header="Something is not on the server yet"
        [modal]="true"
        [visible]="true"
        (visibleChange)="unsent.set(null)"
        [style]="{ width: '30rem' }"
      >
        <p>{{ words() }}</p>
        <p class="ways">
          <p-button label="Stay signed in" (onClick)="unsent.set(null)" />
          <p-button label="Sign out, keep them here" [outlined]="true" (onClick)="leave(false)" />
          <p-button
            label="Sign out, remove them"
            severity="danger"
            [outlined]="true"
            (onClick)="leave(true)"
          />
        </p>
        <p class="small soft">What is kept here is sent once you have signed in at this device again.</p>
      </p-dialog>
    }
    @if (problem() !== '') {
      <span class="problem small" role="alert">{{ problem() }}</span>
    }
  `,
  styles: `
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
      margin-block: 0.9rem 0.5rem;
    }
    .problem {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignOut {
  private readonly signed = inject(SignedIn);
  private readonly router = inject(Router);
  private readonly traces = inject(DeviceTraces);

  protected readonly isLooking = signal(false);
  protected readonly problem = signal('');
  /** What he is asked about; null = nothing. */
  protected readonly unsent = signal<Unsent | null>(null);
  protected readonly words = computed(() => {
    const found = this.unsent();
    if (!found) return '';
    const what = [
      counted(found.jobs, 'edits of one job', 'edits of # jobs'),
      counted(found.photos, 'one photo', '# photos'),
    ].filter((one) => one !== '');
    return `This device holds ${what.join(' and ')} that the server does not have.`;
  });

  protected async ask(): Promise<void> {
    this.isLooking.set(true);
    const found = await this.traces.unsent();
    this.isLooking.set(false);
    if (found.jobs + found.photos > 0) this.unsent.set(found);
    else await this.leave(false);
  }

  protected async leave(withUnsent: boolean): Promise<void> {
    this.unsent.set(null);
    this.problem.set('');
    try {
      // First at the server: without it he would still be signed in.
      await this.signed.end();
    } catch (error) {
      this.problem.set(`${problemText(error)} You are still signed in.`);
      return;
    }
    await this.traces.remove(withUnsent);
    this.signed.forget();
    await this.router.navigateByUrl('/sign-in');
  }
}
