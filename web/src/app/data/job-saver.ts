import { HttpErrorResponse } from '@angular/common/http';
import { signal } from '@angular/core';
import { sameValue } from '@levamen/core/base';
import { type FieldDifference, type Job, mergeJobs } from '@levamen/core/job';
import { conflictSchema, maxSuperseded, type SavedJob } from '@levamen/core/api';
import {
  catchError,
  defer,
  EMPTY,
  exhaustMap,
  finalize,
  fromEvent,
  merge,
  of,
  repeat,
  retry,
  Subject,
  switchMap,
  take,
  tap,
  throwError,
  timer,
  type Observable,
  type Subscription,
} from 'rxjs';
import type { AdoptedDraft } from './device-database';
import type { Draft, DraftStore, LeftDraft } from './draft-store';
import { bodyOf, problemText, wantsWhole, type JobsApi, type SaveAttempt } from './jobs-api';

export type SaveStatus = 'saved' | 'unsaved' | 'saving' | 'retrying' | 'conflict' | 'refused' | 'failing';

/** Both changed the job, and somebody has to decide. */
export interface SaveConflict {
  readonly base: Job;
  readonly theirs: SavedJob;
}

/** What somebody else did was taken in without asking. */
export interface TakenIn {
  readonly job: Job;
  readonly base: Job;
  readonly theirs: SavedJob;
  readonly taken: readonly FieldDifference[];
}

const autosaveMs = 700;
/** An answer 500 is no answer that waiting mends: it is tried this often, then said. */
const maxServerErrors = 5;
const laterMs = 60_000;
const retryMs = (attempt: number): number => Math.min(8000, 500 * 2 ** Math.min(attempt - 1, 10));
/** Bodies that a page may still send while it goes away: browsers stop at 64 KiB. */
const maxPartingBytes = 60_000;

const statusOf = (error: unknown): number => (error instanceof HttpErrorResponse ? error.status : -1);
/** The server is away, busy or full: it will be back. */
const willPass = (error: unknown): boolean => [0, 408, 429, 502, 503, 504, 507].includes(statusOf(error));
/** The server answered for good that it does not take this. */
const isRefusal = (error: unknown): boolean => statusOf(error) >= 400 && statusOf(error) < 500;

/**
 * Brings the newest document of one job to the server, and keeps it on this device until it is there. It outlives the page that
 * shows the job: leaving it does not stop a save.
 */
export class JobSaver {
  readonly status = signal<SaveStatus>('saved');
  /** Why a save was refused or does not get through, or that the device keeps no draft. */
  readonly message = signal('');
  readonly conflict = signal<SaveConflict | null>(null);
  /** What was merged in without asking. */
  readonly takenIn = new Subject<TakenIn>();

  /** What is not on the server yet is kept on this device. */
  readonly isKept = signal(true);

  /** The revision that is on the server, as far as this page knows. */
  readonly revision = signal(0);

  private latest: Job | null = null;
  private saved: Job | null = null;
  /** Saves that were sent and never answered, oldest first. */
  private unanswered: { readonly saveId: string; readonly document: Job | null }[] = [];
  private adopted: AdoptedDraft[] = [];
  private wantsWhole = false;
  private serverErrors = 0;
  private failures = 0;
  private isWriting = false;
  private isAsking = false;
  private writtenAt = 0;
  /** The newest revision that was heard of. */
  private heardOf = 0;
  private readonly wake = new Subject<number>();
  private readonly loop: Subscription;

  constructor(
    readonly id: string,
    private readonly api: JobsApi,
    private readonly drafts: DraftStore,
    /** Told what the server has now. */
    private readonly kept: (revision: number, document: Job) => void = () => undefined,
  ) {
    this.loop = this.wake
      .pipe(
        switchMap((waitMs) => (waitMs === 0 ? of(0) : timer(waitMs))),
        exhaustMap(() => this.saveUntilClean()),
      )
      .subscribe();
  }

  /** Starts from what the server has. */
  begin({ revision, document }: SavedJob): void {
    this.revision.set(revision);
    this.saved = document;
    this.latest = document;
    this.conflict.set(null);
    this.status.set('saved');
    this.message.set('');
  }

  /** Goes on from edits that an earlier visit could not save. */
  resume({ baseRevision, base, document, unanswered }: Draft): void {
    this.revision.set(baseRevision);
    this.saved = base;
    this.unanswered = unanswered.map((saveId) => ({ saveId, document: null }));
    this.put(document);
    this.flush();
  }

  /** Takes the newest document: kept on this device at once, sent soon. */
  put(document: Job): void {
    this.latest = document;
    this.keepDraft();
    if (this.status() === 'conflict') return;
    if (this.status() !== 'retrying') this.status.set('unsaved');
    this.wake.next(autosaveMs);
  }

  /** The edits of a draft of another tab are in the document now; once the server has it, that draft goes. */
  adopt({ tab, savedAt, draft }: Pick<LeftDraft, 'tab' | 'savedAt' | 'draft'>): void {
    this.adopted.push({ tab, savedAt }, ...(draft?.contains ?? []));
  }

  /** Somebody has to decide between two versions before anything is sent. */
  ask(conflict: SaveConflict): void {
    this.status.set('conflict');
    this.conflict.set(conflict);
  }

  /** Ends a conflict: what follows builds on theirs. */
  decide(document: Job): void {
    const conflict = this.conflict();
    if (!conflict) return;
    this.revision.set(conflict.theirs.revision);
    this.saved = conflict.theirs.document;
    this.conflict.set(null);
    this.status.set('unsaved');
    this.put(document);
  }

  /** Sends now what waits to be sent. */
  flush(): void {
    if (this.isBehind() && this.status() !== 'conflict') this.wake.next(0);
  }

  /** The page goes away: sends what fits into a request that outlives it. What does not fit is in the draft. */
  part(): void {
    if (!this.isBehind() || this.status() === 'conflict') return;
    const attempt = this.nextAttempt();
    if (JSON.stringify(bodyOf(attempt)).length < maxPartingBytes) this.api.saveWhileLeaving(this.id, attempt);
  }

  /** The server does not have everything yet. */
  isBehind(): boolean {
    return this.latest !== null && this.latest !== this.saved;
  }

  /** Closing the page now would lose something, or leave something undecided behind. */
  isAtRisk(): boolean {
    return (
      this.isBehind() &&
      (!this.isKept() || this.isWriting || ['refused', 'conflict', 'failing'].includes(this.status()))
    );
  }

  /** Somebody has saved a revision: it is taken in where nothing of this page waits; else the next save meets it. */
  hearOf(revision: number): void {
    this.heardOf = Math.max(this.heardOf, revision);
    this.catchUp();
  }

  end(): void {
    this.loop.unsubscribe();
    this.takenIn.complete();
  }

  private saveUntilClean(): Observable<unknown> {
    return defer(() => this.attempt()).pipe(
      retry({ delay: (error) => this.afterFailure(error) }),
      // The newest document is looked at again after every answer.
      repeat({ delay: () => (this.isBehind() && this.status() === 'saving' ? of(true) : EMPTY) }),
      // Whatever happens, the next edit starts another round.
      catchError(() => EMPTY),
    );
  }

  private attempt(): Observable<unknown> {
    if (this.status() === 'conflict') return EMPTY;
    if (!this.isBehind()) {
      this.settle();
      return EMPTY;
    }
    if (this.status() !== 'retrying') this.status.set('saving');
    const attempt = this.nextAttempt();
    return this.api
      .save(this.id, attempt)
      .pipe(tap(({ revision }) => this.acknowledge(revision, attempt.document)));
  }

  /** The same save again while nothing newer was typed: the server knows it by its id. */
  private nextAttempt(): SaveAttempt {
    const document = this.latest!;
    const last = this.unanswered.at(-1);
    if (last?.document !== document) {
      this.unanswered = [...this.unanswered, { saveId: crypto.randomUUID(), document }].slice(
        -maxSuperseded - 1,
      );
      this.keepDraft();
    }
    const saveId = this.unanswered.at(-1)!.saveId;
    const supersedes = this.unanswered.slice(0, -1).map((one) => one.saveId);
    const base = this.wantsWhole ? null : this.saved;
    return { baseRevision: this.revision(), saveId, supersedes, base, document };
  }

  private acknowledge(revision: number, document: Job): void {
    this.revision.set(revision);
    this.saved = document;
    this.unanswered = [];
    this.wantsWhole = false;
    this.serverErrors = 0;
    this.failures = 0;
    this.status.set('saving');
    this.letGoOfAdopted();
    this.settle();
  }

  /** The server has what drafts of other tabs held, by a save of this one or of whoever had taken them up before. */
  private letGoOfAdopted(): void {
    for (const { tab, savedAt } of this.adopted.splice(0))
      void this.drafts.remove(this.id, tab, savedAt).catch(() => undefined);
  }

  private settle(): void {
    if (this.isBehind()) return;
    if (this.saved) this.kept(this.revision(), this.saved);
    this.letGoOfAdopted();
    this.status.set('saved');
    this.message.set('');
    this.catchUp();
    void this.drafts.clear(this.id, this.writtenAt).catch(() => undefined);
  }

  private catchUp(): void {
    if (this.heardOf <= this.revision() || this.isBehind() || this.isAsking) return;
    this.isAsking = true;
    this.api
      .read(this.id)
      .pipe(finalize(() => (this.isAsking = false)))
      .subscribe({
        next: (theirs) => this.takeWhole(theirs),
        // It is met with the next save, or heard of again.
        error: () => undefined,
      });
  }

  /** Nothing of this page waits: what the server has is taken as it is. */
  private takeWhole(theirs: SavedJob): void {
    const base = this.saved;
    if (!base || theirs.revision <= this.revision() || this.isBehind()) return;
    this.revision.set(theirs.revision);
    this.saved = theirs.document;
    this.latest = theirs.document;
    this.kept(theirs.revision, theirs.document);
    const { taken } = mergeJobs(base, base, theirs.document);
    this.takenIn.next({ job: theirs.document, base, theirs, taken });
  }

  /** When to try again; throws where waiting does not help. */
  private afterFailure(error: unknown): Observable<unknown> {
    if (statusOf(error) === 409) return this.meet(error);
    if (wantsWhole(error) && !this.wantsWhole) {
      this.wantsWhole = true;
      return of(true);
    }
    if (isRefusal(error) && !willPass(error)) {
      this.unanswered = [];
      return this.stop('refused', problemText(error), error);
    }
    this.failures += 1;
    if (willPass(error)) {
      this.status.set('retrying');
      this.message.set(problemText(error));
      return merge(timer(retryMs(this.failures)), fromEvent(window, 'online')).pipe(take(1));
    }
    this.serverErrors += 1;
    if (this.serverErrors < maxServerErrors) {
      this.status.set('retrying');
      return timer(retryMs(this.failures));
    }
    this.serverErrors = 0;
    this.wake.next(laterMs);
    const words = `${problemText(error)} It was tried ${maxServerErrors} times. Your edits go on being kept on this device; export the job to be safe, and tell whoever looks after the server.`;
    return this.stop('failing', words, error);
  }

  private stop(status: SaveStatus, message: string, error: unknown): Observable<never> {
    this.status.set(status);
    this.message.set(message);
    return throwError(() => error);
  }

  /** Saved elsewhere in the meantime: merged where nobody has to be asked. */
  private meet(error: unknown): Observable<unknown> {
    const stale = staleSave(error);
    if (!stale || !this.latest || !this.saved) return this.stop('refused', problemText(error), error);
    const { theirs } = stale;
    const base = stale.base ?? this.saved;
    this.unanswered = [];
    if (sameValue(theirs.document, this.latest)) {
      this.acknowledge(theirs.revision, this.latest);
      return EMPTY;
    }
    const merged = mergeJobs(base, this.latest, theirs.document);
    if (merged.questions.length > 0) {
      this.ask({ base, theirs });
      return EMPTY;
    }
    this.revision.set(theirs.revision);
    this.saved = theirs.document;
    this.latest = sameValue(merged.job, theirs.document) ? theirs.document : merged.job;
    this.takenIn.next({ job: this.latest, base, theirs, taken: merged.taken });
    this.keepDraft();
    return of(true);
  }

  /** Writes the newest document; while that is under way, only the one that is newest then is written next. */
  private keepDraft(): void {
    if (this.isWriting || !this.latest || !this.saved) return;
    const document = this.latest;
    this.isWriting = true;
    this.writtenAt = Math.max(Date.now(), this.writtenAt + 1);
    this.drafts
      .write(this.id, {
        baseRevision: this.revision(),
        base: this.saved,
        document,
        unanswered: this.unanswered.map(({ saveId }) => saveId),
        savedAt: this.writtenAt,
        contains: [...this.adopted],
      })
      .then(
        () => this.wrote(document, true),
        () => this.wrote(document, false),
      );
  }

  private wrote(document: Job, kept: boolean): void {
    this.isWriting = false;
    this.isKept.set(kept);
    if (!kept && this.isBehind()) {
      this.message.set(
        'This device keeps no draft (storage is off or full): wait for “saved” before you close the page.',
      );
    }
    if (document !== this.latest && kept) this.keepDraft();
    else if (!this.isBehind()) this.settle();
  }
}

function staleSave(error: unknown): SaveConflict | { readonly base: null; readonly theirs: SavedJob } | null {
  if (!(error instanceof HttpErrorResponse)) return null;
  try {
    const body: unknown = typeof error.error === 'string' ? JSON.parse(error.error) : error.error;
    const conflict = conflictSchema.safeParse(body);
    return conflict.success ? { base: conflict.data.base, theirs: conflict.data.theirs } : null;
  } catch {
    return null;
  }
}
