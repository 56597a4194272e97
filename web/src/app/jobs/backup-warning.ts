import { HttpClient } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { backupStateSchema } from '@levamen/core/api';
import { catchError, map, of } from 'rxjs';
import { parsed } from '../data/parsed';

/** What an owner should know of the backups of the server; nothing where all is well. */
@Component({
  selector: 'lv-backup-warning',
  template: `
    @if (warning(); as text) {
      <p role="alert">
        <i class="pi pi-exclamation-triangle" aria-hidden="true"></i> <strong>Backups.</strong> {{ text }}
      </p>
    }
  `,
  styles: `
    p {
      margin: 0 0 0.6rem;
      padding: 0.5rem 0.7rem;
      border-inline-start: 4px solid var(--fails);
      background: var(--accent-wash);
      overflow-wrap: anywhere;
    }
    .pi {
      color: var(--fails);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BackupWarning {
  protected readonly warning = toSignal(
    inject(HttpClient)
      .get('/api/backups')
      .pipe(
        parsed(backupStateSchema),
        map(({ warning }) => warning),
        // Whoever may not know, or whose server is away, is told by other means.
        catchError(() => of('')),
      ),
    { initialValue: '' },
  );
}
