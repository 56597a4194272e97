import 'fake-indexeddb/auto';
import { HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, Injector, runInInjectionContext } from '@angular/core';
import { type Job, newJob } from '@levamen/core/job';
import type { SavedJob, SaveResult } from '@levamen/core/api';
import { defer, of, throwError, type Observable } from 'rxjs';
import { vi } from 'vitest';
import { DeviceDatabase } from './device-database';
import { DraftStore } from './draft-store';
import { HistoryStore } from './history-store';
import { Identity } from './identity';
import { JobSession } from './job-session';
import { JobsApi, type SaveAttempt } from './jobs-api';
import { Savers } from './savers';
import { Tab } from './tab';
import { Road } from '../field/road';
import { WaitingEdits } from '../field/waiting-edits';
import { SignedIn } from '../people/session';
import { Typing } from '../ui/typing';

/** Stand-ins for tests of what happens between page, device and server. */

/** Time passes only where {@link pass} says so. */
export const stopTime = (): unknown =>
  vi.useFakeTimers({
    toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'setImmediate', 'Date'],
  });
/** Lets promises and timers do what is due within so many milliseconds. */
export const pass = (ms = 50): Promise<unknown> => vi.advanceTimersByTimeAsync(ms);

export const jobId = '00000000-0000-4000-8000-000000000001';
export const updatedAt = '2026-01-01T00:00:00.000Z';
export const saved = (document: Job, revision = 1): SavedJob => ({
  id: jobId,
  revision,
  updatedAt,
  actor: 'Zoë',
  device: 'tablet',
  document,
});
export const offline = () => throwError(() => new HttpErrorResponse({ status: 0 }));
export const refused = (status: number, body: object = {}) =>
  throwError(() => new HttpErrorResponse({ status, error: body }));

/** A server that keeps one job and answers as it is told. */
export class FakeApi {
  head = saved(newJob('House'));
  readonly revisions = new Map([[1, this.head.document]]);
  readonly attempts: SaveAttempt[] = [];
  readonly parting: SaveAttempt[] = [];
  /** Answers to the next saves; once they are used up, saves succeed or are stale. */
  readonly answers: ((attempt: SaveAttempt) => Observable<SaveResult>)[] = [];
  private readonly known = new Map<string, number>();

  read = (): Observable<SavedJob> => of(this.head);
  /** Like a request, it goes out anew whenever somebody subscribes. */
  save = (_: string, attempt: SaveAttempt): Observable<SaveResult> =>
    defer(() => {
      this.attempts.push(attempt);
      return (this.answers.shift() ?? ((one: SaveAttempt) => this.accept(one)))(attempt);
    });
  saveWhileLeaving = (_: string, attempt: SaveAttempt): void => void this.parting.push(attempt);

  accept(attempt: SaveAttempt): Observable<SaveResult> {
    const arrived = [attempt.saveId, ...attempt.supersedes].flatMap((id) => this.known.get(id) ?? []);
    const again = this.known.get(attempt.saveId);
    if (again !== undefined) return of({ revision: again, updatedAt });
    const base = arrived.length > 0 ? Math.max(...arrived) : attempt.baseRevision;
    if (base !== this.head.revision) {
      return refused(409, {
        type: 'about:blank',
        title: 'Changed elsewhere',
        status: 409,
        detail: 'Saved elsewhere',
        theirs: this.head,
        base: this.revisions.get(base) ?? null,
      });
    }
    this.put(attempt.document);
    this.known.set(attempt.saveId, this.head.revision);
    return of({ revision: this.head.revision, updatedAt });
  }

  /** Somebody else saves. */
  put(document: Job): void {
    this.head = saved(document, this.head.revision + 1);
    this.revisions.set(this.head.revision, document);
  }
}

/** A tab of a browser: what it is called, and which tabs live. */
export class FakeTab {
  /** Who has signed in there; null = nobody has to. */
  account: string | null = null;
  constructor(
    readonly name: string,
    readonly alive: Set<string>,
  ) {
    alive.add(name);
  }
  id = (): Promise<string> => Promise.resolve(this.name);
  living = (): Promise<ReadonlySet<string>> => Promise.resolve(new Set(this.alive));
}

/** One page in one tab of a device. */
export function openPage(api: FakeApi, tab: FakeTab, database: DeviceDatabase = new DeviceDatabase()) {
  const destroy: (() => void)[] = [];
  const kept: SavedJob[] = [];
  const injector = Injector.create({
    providers: [
      { provide: JobsApi, useValue: api },
      { provide: Tab, useValue: tab },
      {
        provide: SignedIn,
        useValue: { who: () => null, session: () => ({ state: 'signed-in' }), account: () => tab.account },
      },
      { provide: Road, useValue: { keep: (one: SavedJob) => Promise.resolve(void kept.push(one)) } },
      { provide: Identity, useFactory: () => new Identity() },
      { provide: WaitingEdits, useFactory: () => new WaitingEdits() },
      { provide: DeviceDatabase, useValue: database },
      { provide: DraftStore, useFactory: () => new DraftStore() },
      { provide: HistoryStore, useFactory: () => new HistoryStore() },
      { provide: Typing, useFactory: () => new Typing() },
      { provide: Savers, useFactory: () => new Savers() },
      {
        provide: DestroyRef,
        useValue: {
          onDestroy: (callback: () => void) => (destroy.push(callback), () => undefined),
          destroyed: false,
        },
      },
    ],
  });
  const session = runInInjectionContext(injector, () => new JobSession());
  return {
    session,
    savers: injector.get(Savers),
    /** What a device that took the job along was given to keep. */
    kept,
    /** Made when it is asked for: it looks after what waits from then on. */
    waiting: () => injector.get(WaitingEdits),
    drafts: injector.get(DraftStore),
    typing: injector.get(Typing),
    /** The page goes away without a word to anybody. */
    leave: () => destroy.forEach((callback) => callback()),
  };
}
