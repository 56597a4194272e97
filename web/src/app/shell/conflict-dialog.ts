import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { applyDifference, diffJobs, readJob, type FieldDifference, type Job } from '@levamen/core';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { JobSession } from '../data/job-session';

type Side = 'mine' | 'theirs';

/** Somebody saved this job in the meantime: keep mine, take theirs, or decide field by field. */
@Component({
  selector: 'lv-conflict-dialog',
  imports: [Button, Dialog],
  templateUrl: './conflict-dialog.html',
  styleUrl: './conflict-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictDialog {
  private readonly session = inject(JobSession);
  protected readonly conflict = this.session.conflict;
  protected readonly shown = signal(false);
  protected readonly refused = signal('');

  /** What I have now; edits go on behind the dialog only through undo and redo. */
  private readonly mine = computed(() => this.session.job());
  protected readonly differences = computed(() => {
    const conflict = this.conflict();
    return conflict ? diffJobs(this.mine(), conflict.theirs.document) : [];
  });
  protected readonly sides = linkedSignal<readonly FieldDifference[], readonly Side[]>({
    source: this.differences,
    computation: (differences) => differences.map(() => 'mine'),
  });

  protected keepMine(): void {
    const mine = this.mine();
    if (mine) this.finish(mine);
  }

  protected takeTheirs(): void {
    const conflict = this.conflict();
    if (conflict) this.finish(conflict.theirs.document);
  }

  protected choose(index: number, side: Side): void {
    this.sides.update((sides) => sides.with(index, side));
  }

  protected saveMix(): void {
    const mine = this.mine();
    if (!mine) return;
    const mixed = this.differences().reduce<Job>(
      (job, difference, index) => (this.sides()[index] === 'theirs' ? applyDifference(job, difference) : job),
      mine,
    );
    const read = readJob(mixed);
    if (read.ok) this.finish(read.job);
    else this.refused.set(`These choices do not fit together: ${read.problems[0]?.message ?? ''}`);
  }

  protected text(value: unknown): string {
    if (value === undefined) return 'not there';
    if (value === null) return 'not said';
    if (typeof value === 'boolean') return value ? 'yes' : 'no';
    if (typeof value === 'object') {
      const { name } = value as { name?: unknown };
      return typeof name === 'string' ? `there (${name})` : JSON.stringify(value);
    }
    return String(value as string | number);
  }

  private finish(document: Job): void {
    this.shown.set(false);
    this.refused.set('');
    this.session.resolve(document);
  }
}
