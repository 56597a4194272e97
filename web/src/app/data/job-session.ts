import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Role, SavedJob } from '@levamen/core/api';
import { type Plan, sameToStudies } from '@levamen/core/design';
import type { Item } from '@levamen/core/equipment';
import { beyondSurvey, type Job, keepUsedItems, mergeJobs } from '@levamen/core/job';
import {
  catchError,
  debounceTime,
  defer,
  forkJoin,
  from,
  map,
  type Observable,
  of,
  Subject,
  type Subscription,
  switchMap,
  tap,
} from 'rxjs';
import { SignedIn } from '../people/session';
import { Typing } from '../ui/typing';
import { DraftStore, type LeftDraft } from './draft-store';
import { type History, record, startHistory } from './history';
import { HistoryStore } from './history-store';
import type { JobSaver, TakenIn } from './job-saver';
import { JobState } from './job-state';
import { JobsApi } from './jobs-api';
import { LeftDrafts } from './left-drafts';
import { Savers } from './savers';
import { whatWasTaken } from './what-was-taken';

/** Steps of undo are on the device before the server has the document: whoever sees “saved” may close the page, ms. */
const historyMs = 300;

/**
 * The open job: every edit goes through here, can be undone ({@link JobState}), and is handed to the saver, which keeps it on this
 * device at once and brings it to the server. One instance for each open job page.
 */
@Injectable()
export class JobSession {
  private readonly api = inject(JobsApi);
  private readonly drafts = inject(DraftStore);
  private readonly histories = inject(HistoryStore);
  private readonly savers = inject(Savers);
  private readonly signed = inject(SignedIn);

  private readonly saver = signal<JobSaver | null>(null);
  private readonly steps = new Subject<void>();
  /** Told in the task of every step, before the page is drawn. */
  readonly stepped = this.steps.asObservable();
  /** What there is to design with; {@link EvaluationService} puts it here. */
  readonly offered = signal<readonly Item[]>([]);
  private readonly state = new JobState(
    inject(Typing),
    (present) => {
      this.saver()?.put(present);
      this.steps.next();
    },
    (job) => keepUsedItems(job, this.offered()),
    (before, after) => refusedTo(this.signed.who()?.workspace.role, before, after),
  );
  private readonly left = new LeftDrafts(this.drafts);
  private taking: Subscription | null = null;

  /** Identifier of the open job. */
  readonly id = signal('');
  readonly job = this.state.job;
  readonly plan = this.state.plan;
  readonly designId = this.state.designId;
  /** The plan as studies see it: the same as long as nothing changes that one of them reads. */
  readonly studied = computed(() => this.plan(), { equal: sameToStudies });
  readonly undoLabel = this.state.undoLabel;
  readonly redoLabel = this.state.redoLabel;
  readonly refusal = this.state.refusal;
  readonly status = computed(() => this.saver()?.status() ?? 'saved');
  /** Revision of the job on the server, as far as it is known here. */
  readonly revision = computed(() => this.saver()?.revision() ?? 0);
  readonly message = computed(() => this.saver()?.message() ?? '');
  readonly isKept = computed(() => this.saver()?.isKept() ?? true);
  readonly conflict = computed(() => this.saver()?.conflict() ?? null);
  /** True when edits that an earlier visit could not save were taken up again. */
  readonly restored = signal(false);
  readonly leftDrafts = this.left.offered.asReadonly();
  /** What somebody else did and was taken in without asking. */
  readonly takenIn = signal<TakenIn | null>(null);

  constructor() {
    this.steps.pipe(debounceTime(historyMs), takeUntilDestroyed()).subscribe(() => this.keepHistory());
    inject(DestroyRef).onDestroy(() => {
      this.taking?.unsubscribe();
      this.keepHistory();
      this.savers.leave(this.id());
    });
  }

  /** Loads a job, and takes up edits that never reached the server. */
  open(id: string): Observable<SavedJob> {
    return defer(() => {
      this.keepHistory();
      this.state.begin(null);
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
        const newest = this.left.sort(saved, left);
        return from(this.histories.find(id, newest?.draft?.document ?? saved.document)).pipe(
          catchError(() => of(null)),
          tap((known) => this.start(saved, newest, known)),
          map(() => saved),
        );
      }),
    );
  }

  /** Looks at another design of the job; it changes nothing. */
  lookAt(designId: string): void {
    this.state.askedDesignId.set(designId);
  }

  /**
   * Changes the plan. `label` names the step in undo and redo. What follows from the change follows at once: loads their circuits
   * to other legs, lanes what is kept.
   *
   * A change that would make the job invalid is not taken: {@link refusal} says why, and so does the answer ('' = taken).
   */
  edit(label: string, change: (plan: Plan) => Plan): string {
    return this.state.edit(label, change);
  }

  /** The same for what is not a matter of the plan. */
  editJob(label: string, change: (job: Job) => Job): string {
    return this.state.editJob(label, change);
  }

  undo(): void {
    this.state.undo();
  }

  redo(): void {
    this.state.redo();
  }

  /** Ends a conflict with a job that builds on theirs. */
  resolve(document: Job): void {
    const conflict = this.conflict();
    if (!conflict || !this.job()) return;
    const { base, theirs } = conflict;
    this.state.takeIn(document, { base, theirs: whatWasTaken(base, theirs.document, document) });
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
    this.left.forget(left);
  }

  /** Removes a draft of a closed tab. */
  discard(left: LeftDraft): Promise<void> {
    return this.left.discard(this.id(), left);
  }

  /** Somebody has saved this job: what he did is taken in as soon as nothing of this page waits. */
  hearOf(revision: number): void {
    this.saver()?.hearOf(revision);
  }

  /** Sends what waits; true = everything is on the server. */
  saveNow(): Promise<boolean> {
    return this.savers.settled();
  }

  private start(saved: SavedJob, taken: LeftDraft | null, known: History<Job> | null): void {
    const saver = this.savers.open(saved.id);
    this.taking?.unsubscribe();
    this.taking = saver.takenIn.subscribe((taking) => this.onTakenIn(taking));
    this.id.set(saved.id);
    this.takenIn.set(null);
    saver.begin(saved);
    this.saver.set(saver);
    const draft = taken?.draft ?? null;
    this.restored.set(draft !== null);
    const fresh = draft
      ? record(startHistory(draft.base), 'restored edits', draft.document)
      : startHistory(saved.document);
    this.state.begin(known ?? fresh);
    if (draft && taken) {
      saver.adopt(taken);
      saver.resume({ ...draft, document: this.job()! });
    }
  }

  private onTakenIn(taking: TakenIn): void {
    this.takenIn.set(taking);
    this.state.takeIn(taking.job, { base: taking.base, theirs: taking.theirs.document });
    this.steps.next();
  }

  private keepHistory(): void {
    const history = this.state.history();
    if (history && this.id() !== '') void this.histories.write(this.id(), history).catch(() => undefined);
  }
}

/** Why a role may not change a job so; '' = it may. The server asks the same again. */
function refusedTo(role: Role | undefined, before: Job, after: Job): string {
  if (role === 'viewer') return 'a viewer changes nothing; ask the owner of the company for another role';
  if (role !== 'surveyor') return '';
  const changed = beyondSurvey(before, after);
  return changed.length === 0 ? '' : `a surveyor leaves ${changed.join(', ')} to a designer`;
}
