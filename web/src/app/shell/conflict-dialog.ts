import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { mergeJobs, type MergeQuestion, type MergeSide } from '@levamen/core/job';
import { Button } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { JobSession } from '../data/job-session';
import type { SaveConflict } from '../data/job-saver';
import { valueText } from '../ui/value-text';

/** Two people changed the same thing: asked is only about that; everything else is merged already. */
@Component({
  selector: 'lv-conflict-dialog',
  imports: [Button, DatePipe, Dialog],
  templateUrl: './conflict-dialog.html',
  styleUrl: './conflict-dialog.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConflictDialog {
  private readonly session = inject(JobSession);
  protected readonly conflict = this.session.conflict;
  protected readonly text = valueText;

  /** By key of the question; what nobody answered counts as mine. */
  private readonly answers = linkedSignal<SaveConflict | null, ReadonlyMap<string, MergeSide>>({
    source: this.conflict,
    computation: () => new Map(),
  });
  private readonly merged = computed(() => {
    const conflict = this.conflict();
    const mine = this.session.job();
    if (!conflict || !mine) return null;
    const first = mergeJobs(conflict.base, mine, conflict.theirs.document);
    const answers = new Map<string, MergeSide>([
      ...first.questions.map(({ key }) => [key, 'mine'] as const),
      ...this.answers(),
    ]);
    return {
      answers,
      questions: first.questions,
      merge: mergeJobs(conflict.base, mine, conflict.theirs.document, answers),
    };
  });
  protected readonly questions = computed(() => this.merged()?.questions ?? []);
  protected readonly others = computed(() => this.merged()?.merge.taken.map(({ label }) => label) ?? []);
  protected readonly from = computed(() => {
    const theirs = this.conflict()?.theirs;
    if (!theirs) return '';
    const who = theirs.actor === '' ? 'somebody' : theirs.actor;
    return theirs.device === '' ? who : `${who} on ${theirs.device}`;
  });

  protected side({ key }: MergeQuestion): MergeSide {
    return this.merged()?.answers.get(key) ?? 'mine';
  }

  protected choose({ key }: MergeQuestion, side: MergeSide): void {
    this.answers.update((answers) => new Map(answers).set(key, side));
  }

  protected chooseAll(side: MergeSide): void {
    this.answers.set(new Map(this.questions().map(({ key }) => [key, side])));
  }

  protected finish(): void {
    const merged = this.merged();
    if (merged) this.session.resolve(merged.merge.job);
  }
}
