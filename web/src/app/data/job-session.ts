import { HttpErrorResponse } from '@angular/common/http';
import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { conflictSchema, diffJobs, settleJob, type Job, type SavedJob } from '@levamen/core';
import {
  catchError,
  debounceTime,
  defer,
  EMPTY,
  exhaustMap,
  merge,
  of,
  fromEvent,
  Subject,
  switchMap,
  take,
  tap,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { retry } from 'rxjs/operators';
import { DraftStore } from './draft-store';
import { record, redo, startHistory, undo, type History } from './history';
import { JobsApi, problemText, type SaveAttempt } from './jobs-api';

export type SaveStatus = 'saved' | 'unsaved' | 'saving' | 'retrying' | 'conflict' | 'refused';

/** A stale save: what is here, what is on the server, and what both started from. */
export interface SaveConflict {
  readonly mine: Job;
  readonly theirs: SavedJob;
}

const autosaveMs = 700;
const retryMs = (attempt: number): number => Math.min(8000, 500 * 2 ** (attempt - 1));
const worthRetrying = (error: unknown): boolean =>
  error instanceof HttpErrorResponse && (error.status === 0 || error.status === 429 || error.status >= 500);

/**
 * The open job: every edit goes through here, can be undone, is kept on this device at once and saved to the server soon
 * after. One instance for each open job.
 */
@Injectable()
export class JobSession {
  private readonly api = inject(JobsApi);
  private readonly drafts = inject(DraftStore);

  private readonly history = signal<History<Job> | null>(null);
  private readonly savedDocument = signal<Job | null>(null);
  private readonly edits = new Subject<void>();
  private revision = 0;

  /** Identifier of the open job. */
  readonly id = signal('');
  readonly job = computed(() => this.history()?.present ?? null);
  readonly status = signal<SaveStatus>('saved');
  /** Why a save was refused, or why the device keeps no draft. */
  readonly message = signal('');
  readonly conflict = signal<SaveConflict | null>(null);
  readonly undoLabel = computed(() => this.history()?.past.at(-1)?.label ?? '');
  readonly redoLabel = computed(() => this.history()?.future[0]?.label ?? '');
  /** True when edits that an earlier visit could not save were taken up again. */
  readonly restored = signal(false);

  constructor() {
    this.edits
      .pipe(
        debounceTime(autosaveMs),
        exhaustMap(() => this.saveUntilClean()),
        takeUntilDestroyed(inject(DestroyRef)),
      )
      .subscribe();
    fromEvent<BeforeUnloadEvent>(window, 'beforeunload')
      .pipe(takeUntilDestroyed())
      .subscribe((event) => {
        // Everything is in the draft already; this only spares the user a surprise.
        if (this.status() === 'refused' || this.status() === 'conflict') event.preventDefault();
      });
  }

  /** Loads a job, and takes up edits that never reached the server. */
  open(id: string): Observable<SavedJob> {
    return this.api.read(id).pipe(
      tap((saved) => {
        this.id.set(id);
        this.revision = saved.revision;
        this.savedDocument.set(saved.document);
        this.status.set('saved');
        this.conflict.set(null);
        const draft = this.drafts.take(id);
        const differs = draft !== null && diffJobs(draft.document, saved.document).length > 0;
        this.restored.set(differs);
        this.history.set(startHistory(saved.document));
        if (!differs) {
          this.drafts.clear(id);
          return;
        }
        this.history.set(record(startHistory(saved.document), 'restored edits', draft.document));
        if (draft.baseRevision === saved.revision) this.queue();
        else this.meetConflict({ mine: draft.document, theirs: saved });
      }),
    );
  }

  /** Changes the job. `label` names the step in undo and redo. Loads follow their circuits to other legs. */
  edit(label: string, change: (job: Job) => Job): void {
    const history = this.history();
    if (history) this.move(record(history, label, settleJob(change(history.present))));
  }

  undo(): void {
    const history = this.history();
    if (history) this.move(undo(history));
  }

  redo(): void {
    const history = this.history();
    if (history) this.move(redo(history));
  }

  /** Ends a conflict with a document that replaces theirs; it can be undone. */
  resolve(document: Job): void {
    const conflict = this.conflict();
    const history = this.history();
    if (!conflict || !history) return;
    this.revision = conflict.theirs.revision;
    this.savedDocument.set(conflict.theirs.document);
    this.conflict.set(null);
    this.status.set('unsaved');
    this.move(record(history, 'resolved conflict', document));
    this.queue();
  }

  private move(next: History<Job>): void {
    if (next === this.history()) return;
    this.history.set(next);
    this.queue();
  }

  private queue(): void {
    const job = this.job();
    if (!job) return;
    const kept = this.drafts.write(this.id(), {
      baseRevision: this.revision,
      document: job,
      savedAt: Date.now(),
    });
    this.message.set(kept ? '' : 'This device keeps no draft: wait for “saved” before you close the page.');
    if (this.status() === 'conflict') return;
    if (this.status() !== 'retrying') this.status.set('unsaved');
    this.edits.next();
  }

  private saveUntilClean(): Observable<unknown> {
    return defer(() => {
      const document = this.job();
      if (!document || this.status() === 'conflict') return EMPTY;
      if (document === this.savedDocument()) {
        this.status.set('saved');
        this.drafts.clear(this.id());
        return EMPTY;
      }
      if (this.status() !== 'retrying') this.status.set('saving');
      const attempt: SaveAttempt = { baseRevision: this.revision, saveId: crypto.randomUUID(), document };
      return this.send(attempt).pipe(switchMap(() => this.saveUntilClean()));
    });
  }

  /** The same attempt is repeated until the server answers: an answer that got lost must not look like a conflict. */
  private send(attempt: SaveAttempt): Observable<unknown> {
    return this.api.save(this.id(), attempt).pipe(
      retry({
        delay: (error, count) => {
          if (!worthRetrying(error)) return throwError(() => error as unknown);
          this.status.set('retrying');
          this.message.set(problemText(error));
          return merge(timer(retryMs(count)), fromEvent(window, 'online')).pipe(take(1));
        },
      }),
      tap(({ revision }) => {
        this.revision = revision;
        this.savedDocument.set(attempt.document);
        this.message.set('');
        if (this.status() === 'retrying') this.status.set('saving');
      }),
      catchError((error: unknown) => {
        const theirs = staleSave(error);
        if (theirs && diffJobs(attempt.document, theirs.document).length === 0) {
          this.revision = theirs.revision;
          this.savedDocument.set(attempt.document);
          return of(null);
        }
        if (theirs) this.meetConflict({ mine: this.job() ?? attempt.document, theirs });
        else {
          this.status.set('refused');
          this.message.set(problemText(error));
        }
        return EMPTY;
      }),
    );
  }

  private meetConflict(conflict: SaveConflict): void {
    this.status.set('conflict');
    this.conflict.set(conflict);
  }
}

function staleSave(error: unknown): SavedJob | null {
  if (!(error instanceof HttpErrorResponse) || error.status !== 409) return null;
  const body: unknown = typeof error.error === 'string' ? JSON.parse(error.error) : error.error;
  const conflict = conflictSchema.safeParse(body);
  return conflict.success ? conflict.data.theirs : null;
}
