import { ChangeDetectionStrategy, Component, inject, input, output, signal } from '@angular/core';
import { type Job, readJob } from '@levamen/core/job';
import type { UnreadableJob } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { catchError, EMPTY, from, switchMap, type Observable } from 'rxjs';
import { JobsApi, problemText } from '../data/jobs-api';

/** A job the server keeps and this version cannot read: download it as it is, mend it, or go back to a revision that can be read. */
@Component({
  selector: 'lv-unreadable-job',
  imports: [Button],
  template: `
    <section class="sheet">
      <h2>{{ found().unreadable.name }}</h2>
      <p>Its last saved state (revision {{ found().unreadable.revision }}) is not valid for this version:</p>
      <ul>
        @for (one of found().problems ?? []; track one.path) {
          <li>
            {{ one.message }} <span class="soft">({{ one.path }})</span>
          </li>
        }
      </ul>
      <p>
        Nothing is lost: the job is kept exactly as it was saved, with all its revisions. There are these ways
        on:
      </p>
      <ul>
        <li><a [href]="'/api/jobs/' + id() + '/raw'" download>Download it as it is stored</a></li>
        @if (found().unreadable.mended; as mended) {
          <li>
            <p-button label="Open it mended" size="small" (onClick)="save(mended.document)" />
            {{ mended.places.length === 1 ? 'One place is' : mended.places.length + ' places are' }} set back
            or left out: {{ mended.places.join(', ') }}. The stored revision stays as it is.
          </li>
        }
        @if (found().unreadable.lastReadable; as revision) {
          <li>
            <p-button
              [label]="'Go back to revision ' + revision"
              size="small"
              [outlined]="true"
              (onClick)="goBack(revision)"
            />
            the newest one that can be read.
          </li>
        }
        <li>
          <label>
            Put a mended file in its place
            <input type="file" accept=".json,application/json" (change)="replace($event)" />
          </label>
        </li>
      </ul>
      <p class="error" aria-live="polite">{{ problem() }}</p>
    </section>
  `,
  styles: `
    .sheet {
      padding: 1rem 1.2rem;
      margin-block: 1rem;
      max-width: 48rem;
    }
    ul {
      padding-inline-start: 1.2rem;
    }
    li {
      margin-block: 0.6rem;
    }
    .error {
      color: var(--fails);
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UnreadableJobView {
  private readonly api = inject(JobsApi);
  readonly id = input.required<string>();
  readonly found = input.required<UnreadableJob>();
  readonly mended = output();
  protected readonly problem = signal('');

  protected goBack(revision: number): void {
    this.then(this.api.revision(this.id(), revision).pipe(switchMap(({ document }) => this.saved(document))));
  }

  protected save(document: Job): void {
    this.then(this.saved(document));
  }

  protected replace(event: Event): void {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    this.then(
      from(file.text()).pipe(
        switchMap((text) => {
          const read = readJob(parsed(text));
          if (read.ok) return this.saved(read.job);
          const { path, message } = read.problems[0]!;
          this.problem.set(`${file.name}: ${message}${path === '' ? '' : ` (at ${path})`}`);
          return EMPTY;
        }),
      ),
    );
  }

  private saved(document: Job): Observable<unknown> {
    return this.api.save(this.id(), {
      baseRevision: this.found().unreadable.revision,
      saveId: crypto.randomUUID(),
      supersedes: [],
      base: null,
      document,
    });
  }

  private then(work: Observable<unknown>): void {
    this.problem.set('');
    work
      .pipe(
        catchError((error: unknown) => {
          this.problem.set(problemText(error));
          return EMPTY;
        }),
      )
      .subscribe(() => this.mended.emit());
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
