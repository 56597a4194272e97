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
    p {
      display: flex;
      align-items: center;
      gap: 0.5rem;
      padding: 0.2rem 0.9rem;
      background: var(--accent-wash);
      font-size: 0.9rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewVersionBar {
  protected readonly version = inject(NewVersion);
}
