import { computed, signal } from '@angular/core';
import type { Plan } from '@levamen/core/design';
import { changePlan, designOf, type Job, mergeJobs, planOf, readChange, settleJob } from '@levamen/core/job';
import type { Typing } from '../ui/typing';
import { amend, type CarryOver, type History, record, redo, takeIn, type Merge, undo } from './history';

const carryOver: CarryOver<Job> = (job, { base, theirs }) => mergeJobs(base, job, theirs).job;

/** What an edit would have made of the job, in words, where that is no job. */
function problemOf(before: Job, job: Job): string {
  const read = readChange(before, job);
  if (read.ok) return '';
  const [problem] = read.problems;
  return problem
    ? `${problem.message} (${problem.path.replaceAll('.', ' › ')})`
    : 'The change does not fit the job';
}

/** The open job with its steps: what is edited, taken back, taken in. Knows nothing of servers and devices. */
export class JobState {
  readonly history = signal<History<Job> | null>(null);
  readonly job = computed(() => this.history()?.present ?? null);
  /** The design somebody asked to look at; '' = the chosen one. */
  readonly askedDesignId = signal('');
  /** The design that is looked at: edits are its. */
  readonly designId = computed(() => {
    const job = this.job();
    return job ? designOf(job, this.askedDesignId()).id : '';
  });
  /** The house with the design that is worked on. */
  readonly plan = computed(() => {
    const job = this.job();
    return job && planOf(job, this.designId());
  });
  readonly undoLabel = computed(() => this.history()?.past.at(-1)?.label ?? '');
  readonly redoLabel = computed(() => this.history()?.future[0]?.label ?? '');
  /** Why the last edit was not taken; '' once another one was. */
  readonly refusal = signal('');
  /** The run of typing the last edit belonged to. */
  private typingRun: number | null = null;

  /**
   * @param complete adds to a job what it uses and does not hold yet
   * @param refused why somebody may not change a job so; '' = he may
   * @param moved told whenever a step was made, with the job after it
   */
  constructor(
    private readonly typing: Typing,
    private readonly moved: (present: Job) => void,
    private readonly complete: (job: Job) => Job = (job) => job,
    private readonly refused: (before: Job, after: Job) => string = () => '',
  ) {}

  begin(history: History<Job> | null): void {
    this.askedDesignId.set('');
    this.history.set(history);
    this.refusal.set('');
  }

  /** See {@link JobSession.edit}. */
  edit(label: string, change: (plan: Plan) => Plan): string {
    return this.editJob(label, (job) => changePlan(job, change, this.designId()));
  }

  editJob(label: string, change: (job: Job) => Job): string {
    const history = this.history();
    if (!history) return 'No job is open';
    const next = this.complete(settleJob(change(history.present)));
    const problem =
      next === history.present ? '' : this.refused(history.present, next) || problemOf(history.present, next);
    this.refusal.set(problem);
    if (problem !== '') return problem;
    // A word is one step, however many keys it took.
    const run = this.typing.current();
    const goesOn = run !== null && run === this.typingRun && label === this.undoLabel();
    this.move(goesOn ? amend(history, next) : record(history, label, next));
    this.typingRun = run;
    return problem;
  }

  undo(): void {
    const history = this.history();
    if (history) this.move(undo(history, carryOver));
  }

  redo(): void {
    const history = this.history();
    if (history) this.move(redo(history, carryOver));
  }

  /** Another job takes the place of the present one, with what somebody else did in it: no step of mine. */
  takeIn(merged: Job, merge: Merge<Job>): void {
    this.history.update((history) => history && takeIn(history, merged, merge));
  }

  private move(next: History<Job>): void {
    if (next === this.history()) return;
    this.history.set(next);
    this.moved(next.present);
  }
}
