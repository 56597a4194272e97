import { DatePipe } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  model,
  signal,
  untracked,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { sameValue } from '@levamen/core/base';
import { diffJobs } from '@levamen/core/job';
import type { RevisionEntry, SavedJob } from '@levamen/core/api';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { catchError, EMPTY } from 'rxjs';
import { JobSession } from '../data/job-session';
import { JobsApi, problemText } from '../data/jobs-api';
import { valueText } from '../ui/value-text';
import { daysOf } from './history-days';

/** Every saved state of the job: by day and by what changed; one beside the present one, and back to it. */
@Component({
  selector: 'lv-history-dialog',
  imports: [Button, DatePipe, Dialog, FormsModule, InputText],
  templateUrl: './history-dialog.html',
  styleUrl: './history-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryDialog {
  private readonly api = inject(JobsApi);
  private readonly session = inject(JobSession);
  readonly visible = model(false);

  protected readonly entries = signal<readonly RevisionEntry[]>([]);
  protected readonly hasMore = signal(false);
  protected readonly problem = signal('');
  protected readonly looking = signal<SavedJob | null>(null);
  protected readonly search = signal('');
  protected readonly days = computed(() => daysOf(this.entries(), this.search()));
  protected readonly differences = computed(() => {
    const looking = this.looking();
    const present = this.session.job();
    if (!looking || !present) return [];
    return diffJobs(looking.document, present).map(({ label, mine, theirs }) => ({
      label,
      then: valueText(mine),
      now: valueText(theirs),
    }));
  });

  constructor() {
    effect(() => {
      if (this.visible()) untracked(() => void this.begin());
    });
  }

  protected more(): void {
    const last = this.entries().at(-1);
    this.fetch(last?.revision);
  }

  protected look({ revision }: RevisionEntry): void {
    this.api
      .revision(this.session.id(), revision)
      .pipe(catchError((error: unknown) => this.fail(error)))
      .subscribe((saved) => this.looking.set(saved));
  }

  /** The job as it was then becomes an edit of now: the revisions between stay, and undo takes it back. */
  protected bringBack(): void {
    const looking = this.looking();
    if (!looking) return;
    const label = `back to revision ${looking.revision}`;
    this.session.editJob(label, (job) => (sameValue(job, looking.document) ? job : looking.document));
    this.visible.set(false);
  }

  protected whoText({ actor, device }: RevisionEntry): string {
    return [actor, device].filter((text) => text !== '').join(', ');
  }

  private async begin(): Promise<void> {
    this.looking.set(null);
    this.entries.set([]);
    await this.session.saveNow();
    this.fetch(undefined);
  }

  private fetch(before: number | undefined): void {
    this.problem.set('');
    this.api
      .revisions(this.session.id(), before)
      .pipe(catchError((error: unknown) => this.fail(error)))
      .subscribe((entries) => {
        this.entries.update((known) => [...known, ...entries]);
        this.hasMore.set(entries.length > 0 && entries.at(-1)!.revision > 1);
      });
  }

  private fail(error: unknown): typeof EMPTY {
    this.problem.set(problemText(error));
    return EMPTY;
  }
}
