import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { NewVersion } from './new-version';

/** Says that the program has changed since this page was opened. */
@Component({
  selector: 'lv-new-version-bar',
  imports: [Button],
  template: `
    @if (version.isThere()) {
      <p role="status">
        <i class="pi pi-sync" aria-hidden="true"></i>
        The program has changed since this page was opened. What you entered stays.
        <p-button
          label="Take the new one over"
          size="small"
          [text]="true"
          [loading]="version.isTaking()"
          (onClick)="version.take()"
        />
      </p>
    }
  `,
  styles: `
    /* Above everything, in the way of nothing: stages fill the window, and would be pushed out of it. */
    p {
      position: fixed;
      inset: auto 1rem 7.5rem auto;
      z-index: 20;
      max-width: 24rem;
      padding: 0.6rem 0.9rem;
      border: 1px solid var(--rule-strong);
      background: var(--accent-wash);
      font-size: 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewVersionBar {
  protected readonly version = inject(NewVersion);
}
