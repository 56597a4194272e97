import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { type Plan, settlePlan } from '@levamen/core/design';
import {
  applyDifference,
  changePlan,
  diffJobs,
  type Job,
  mergeJobs,
  planOf,
  readChange,
  sameValue,
  valueAt,
} from '@levamen/core/job';
import type { SavedJob } from '@levamen/core/api';
import {
  catchError,
  debounceTime,
  defer,
  forkJoin,
  from,
  of,
  Subject,
  switchMap,
  tap,
  type Observable,
  type Subscription,
} from 'rxjs';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { DraftStore, type LeftDraft } from './draft-store';
import { amend, record, redo, startHistory, takeIn, undo, type CarryOver, type History } from './history';
import { HistoryStore } from './history-store';
import type { JobSaver, TakenIn } from './job-saver';
import { JobsApi } from './jobs-api';
import { Savers } from './savers';
import { Typing } from '../ui/typing';

const historyMs = 800;

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

/**
 * The open job: every edit goes through here, can be undone, and is handed to the saver, which keeps it on this device at once
 * and brings it to the server. One instance for each open job page.
 */
@Injectable()
export class JobSession {
  private readonly api = inject(JobsApi);
  private readonly drafts = inject(DraftStore);
  private readonly histories = inject(HistoryStore);
  private readonly savers = inject(Savers);
  private readonly typing = inject(Typing);
  private readonly destroyed = inject(DestroyRef);
  /** The run of typing the last edit belonged to. */
  private typingRun: number | null = null;

  private readonly history = signal<History<Job> | null>(null);
  private readonly saver = signal<JobSaver | null>(null);
  private readonly steps = new Subject<void>();
  private taking: Subscription | null = null;

  /** Identifier of the open job. */
  readonly id = signal('');
  readonly job = computed(() => this.history()?.present ?? null);
  /** The house with the design that is worked on. */
  readonly plan = computed(() => {
    const job = this.job();
    return job && planOf(job);
  });
  readonly status = computed(() => this.saver()?.status() ?? 'saved');
  readonly message = computed(() => this.saver()?.message() ?? '');
  readonly isKept = computed(() => this.saver()?.isKept() ?? true);
  readonly conflict = computed(() => this.saver()?.conflict() ?? null);
  /** Why the last edit was not taken; '' once another one was. */
  readonly refusal = signal('');
  readonly undoLabel = computed(() => this.history()?.past.at(-1)?.label ?? '');
  readonly redoLabel = computed(() => this.history()?.future[0]?.label ?? '');
  /** True when edits that an earlier visit could not save were taken up again. */
  readonly restored = signal(false);
  /** Drafts of closed tabs beside the one that was taken up. */
  readonly leftDrafts = signal<readonly LeftDraft[]>([]);
  /** What somebody else did and was taken in without asking. */
  readonly takenIn = signal<TakenIn | null>(null);

  constructor() {
    this.steps.pipe(debounceTime(historyMs), takeUntilDestroyed()).subscribe(() => this.keepHistory());
    this.destroyed.onDestroy(() => {
      this.taking?.unsubscribe();
      this.keepHistory();
      this.savers.leave(this.id());
    });
  }

  /** Loads a job, and takes up edits that never reached the server. */
  open(id: string): Observable<SavedJob> {
    return defer(() => {
      this.keepHistory();
      this.history.set(null);
      // Edits of an earlier visit may still be on their way.
      return from(this.savers.settled());
    }).pipe(
      switchMap(() =>
        forkJoin([
          this.api.read(id),
          from(this.drafts.left(id)).pipe(catchError(() => of<readonly LeftDraft[]>([]))),
        ]),
      ),
      switchMap(([saved, left]) => {
        const edited = left.filter(
          ({ draft }) => draft === null || !sameValue(draft.document, saved.document),
        );
        const [draft, rest] = newestOf(edited);
        const present = draft?.draft?.document ?? saved.document;
        return from(this.histories.find(id, present)).pipe(
          catchError(() => of(null)),
          tap((known) => this.start(saved, left, draft, rest, known)),
          switchMap(() => of(saved)),
        );
      }),
    );
  }

  /**
   * Changes the plan. `label` names the step in undo and redo. What follows from the change follows at once: loads their circuits
   * to other legs, lanes what is kept.
   *
   * A change that would make the job invalid is not taken: {@link refusal} says why, and so does the answer ('' = taken).
   */
  edit(label: string, change: (plan: Plan) => Plan): string {
    return this.editJob(label, (job) => changePlan(job, change));
  }

  /** The same for what is not a matter of the plan. */
  editJob(label: string, change: (job: Job) => Job): string {
    const history = this.history();
    if (!history) return 'No job is open';
    const next = changePlan(change(history.present), settlePlan);
    const problem = next === history.present ? '' : problemOf(history.present, next);
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

  /** Ends a conflict with a job that builds on theirs. */
  resolve(document: Job): void {
    const conflict = this.conflict();
    const history = this.history();
    if (!conflict || !history) return;
    const { base, theirs } = conflict;
    this.history.set(
      takeIn(history, document, { base, theirs: whatWasTaken(base, theirs.document, document) }),
    );
    this.saver()?.decide(document);
    this.steps.next();
  }

  /** Takes back what somebody else did, and only that; it can be undone. */
  leaveOut({ base, theirs }: TakenIn): void {
    this.editJob(
      'without what was taken in',
      (job) => mergeJobs(theirs.document, job, base, new Map(), 'mine').job,
    );
    this.takenIn.set(null);
  }

  /** Merges a draft of a closed tab into the job; it can be undone. */
  takeUp(left: LeftDraft): void {
    const { draft } = left;
    if (!draft) return;
    this.saver()?.adopt(left);
    this.editJob(
      'edits of another tab',
      (job) => mergeJobs(draft.base, draft.document, job, new Map(), 'mine').job,
    );
    this.forget(left);
  }

  /** Removes a draft of a closed tab. */
  async discard(left: LeftDraft): Promise<void> {
    this.forget(left);
    await this.drafts.remove(this.id(), left.tab, left.savedAt).catch(() => undefined);
  }

  /** Sends what waits; true = everything is on the server. */
  saveNow(): Promise<boolean> {
    return this.savers.settled();
  }

  private forget(left: LeftDraft): void {
    this.leftDrafts.update((all) => all.filter((one) => one !== left));
  }

  private start(
    saved: SavedJob,
    left: readonly LeftDraft[],
    taken: LeftDraft | null,
    rest: readonly LeftDraft[],
    known: History<Job> | null,
  ): void {
    const { id } = saved;
    const saver = this.savers.open(id);
    this.taking?.unsubscribe();
    this.taking = saver.takenIn.subscribe((taking) => this.onTakenIn(taking));
    this.id.set(id);
    this.refusal.set('');
    this.takenIn.set(null);
    saver.begin(saved);
    this.saver.set(saver);
    // What the server has already needs keeping no more.
    for (const one of left) {
      if (one.draft && sameValue(one.draft.document, saved.document))
        void this.drafts.remove(id, one.tab, one.savedAt).catch(() => undefined);
    }
    this.leftDrafts.set(rest);
    const draft = taken?.draft ?? null;
    this.restored.set(draft !== null);
    this.history.set(
      known ??
        (draft
          ? record(startHistory(draft.base), 'restored edits', draft.document)
          : startHistory(saved.document)),
    );
    if (draft && taken) {
      saver.adopt(taken);
      saver.resume({ ...draft, document: this.history()!.present });
    }
  }

  private onTakenIn(taking: TakenIn): void {
    this.takenIn.set(taking);
    this.history.update(
      (history) =>
        history && takeIn(history, taking.job, { base: taking.base, theirs: taking.theirs.document }),
    );
    this.steps.next();
  }

  private move(next: History<Job>): void {
    if (next === this.history()) return;
    this.history.set(next);
    this.saver()?.put(next.present);
    this.steps.next();
  }

  private keepHistory(): void {
    const history = this.history();
    if (history && this.id() !== '') void this.histories.write(this.id(), history).catch(() => undefined);
  }
}

/** Their job without what was decided against: undo must not bring that in. */
function whatWasTaken(base: Job, theirs: Job, decided: Job): Job {
  return diffJobs(theirs, decided).reduce(
    (job, { path }) => applyDifference(job, { path, theirs: valueAt(base, path) }),
    theirs,
  );
}

/** The newest draft that can be read, and the others. */
function newestOf(left: readonly LeftDraft[]): [LeftDraft | null, readonly LeftDraft[]] {
  const newest = left.find(({ draft }) => draft !== null) ?? null;
  return [newest, left.filter((one) => one !== newest)];
}
