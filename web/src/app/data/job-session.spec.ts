import '@angular/compiler';
import { HttpErrorResponse } from '@angular/common/http';
import { DestroyRef, Injector, runInInjectionContext } from '@angular/core';
import { newJob, type Job, type SavedJob, type SaveResult } from '@levamen/core';
import { defer, of, Subject, throwError, type Observable } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DraftStore } from './draft-store';
import { JobSession } from './job-session';
import { JobsApi, type SaveAttempt } from './jobs-api';

const id = '00000000-0000-4000-8000-000000000001';
const updatedAt = '2026-01-01T00:00:00.000Z';
const saved = (document: Job, revision = 1): SavedJob => ({ id, revision, updatedAt, document });
const offline = () => throwError(() => new HttpErrorResponse({ status: 0 }));
const refused = (status: number, body: object) =>
  throwError(() => new HttpErrorResponse({ status, error: body }));

/** A server that keeps one job and answers as it is told. */
class FakeApi {
  head = saved(newJob('House'));
  readonly attempts: SaveAttempt[] = [];
  /** Answers to the next saves; once they are used up, saves succeed. */
  readonly answers: ((attempt: SaveAttempt) => Observable<SaveResult>)[] = [];

  read = (): Observable<SavedJob> => of(this.head);
  /** Like a request, it goes out anew whenever somebody subscribes. */
  save = (_: string, attempt: SaveAttempt): Observable<SaveResult> =>
    defer(() => {
      this.attempts.push(attempt);
      return (this.answers.shift() ?? ((one: SaveAttempt) => this.accept(one)))(attempt);
    });
  accept(attempt: SaveAttempt): Observable<SaveResult> {
    this.head = saved(attempt.document, this.head.revision + 1);
    return of({ revision: this.head.revision, updatedAt });
  }
  conflictBody(attempt: SaveAttempt): object {
    return {
      type: 'about:blank',
      title: 'Changed elsewhere',
      status: 409,
      detail: 'Saved elsewhere',
      yours: attempt.document,
      theirs: this.head,
      base: null,
    };
  }
}

let api: FakeApi;
const openSession = (): JobSession => {
  const injector = Injector.create({
    providers: [
      { provide: JobsApi, useValue: api },
      { provide: DraftStore, useValue: new DraftStore() },
      { provide: DestroyRef, useValue: { onDestroy: () => () => undefined, destroyed: false } },
    ],
  });
  const session = runInInjectionContext(injector, () => new JobSession());
  session.open(id).subscribe();
  return session;
};
const rename = (session: JobSession, name: string): void => session.edit('name', (job) => ({ ...job, name }));

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  sessionStorage.clear();
  api = new FakeApi();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('saving by itself', () => {
  it('waits for a pause in typing, then sends one save', () => {
    const session = openSession();
    rename(session, 'A');
    vi.advanceTimersByTime(400);
    rename(session, 'AB');
    expect(session.status()).toBe('unsaved');
    expect(api.attempts).toHaveLength(0);
    vi.advanceTimersByTime(800);
    expect(api.attempts.map(({ document }) => document.name)).toEqual(['AB']);
    expect(session.status()).toBe('saved');
    expect(new DraftStore().take(id)).toBeNull();
  });

  it('saves what was typed while a save was under way', () => {
    const answer = new Subject<SaveResult>();
    api.answers.push(() => answer);
    const session = openSession();
    rename(session, 'First');
    vi.advanceTimersByTime(800);
    rename(session, 'Second');
    vi.advanceTimersByTime(800);
    expect(api.attempts).toHaveLength(1);
    answer.next({ revision: 2, updatedAt });
    answer.complete();
    expect(api.attempts.map(({ document, baseRevision }) => [document.name, baseRevision])).toEqual([
      ['First', 1],
      ['Second', 2],
    ]);
    expect(session.status()).toBe('saved');
  });

  it('saves nothing when undo comes back to what is saved', () => {
    const session = openSession();
    rename(session, 'Oops');
    session.undo();
    vi.advanceTimersByTime(800);
    expect(api.attempts).toHaveLength(0);
    expect([session.status(), session.redoLabel()]).toEqual(['saved', 'name']);
    session.redo();
    vi.advanceTimersByTime(800);
    expect(api.head.document.name).toBe('Oops');
  });
});

describe('a server that does not answer', () => {
  it('gets the same save again, under the same id, until it does', () => {
    api.answers.push(offline, offline, () => refused(503, {}));
    const session = openSession();
    rename(session, 'Kept');
    vi.advanceTimersByTime(800);
    expect(session.status()).toBe('retrying');
    rename(session, 'Kept, and more');
    vi.advanceTimersByTime(20_000);
    const first = api.attempts.slice(0, 4);
    expect(new Set(first.map(({ saveId }) => saveId)).size).toBe(1);
    expect(first.every(({ document }) => document.name === 'Kept')).toBe(true);
    expect(api.head.document.name).toBe('Kept, and more');
    expect(session.status()).toBe('saved');
  });

  it('leaves a draft that the next visit takes up', () => {
    api.answers.push(...Array.from({ length: 50 }, () => offline));
    rename(openSession(), 'Closed lid');
    vi.advanceTimersByTime(800);
    api.answers.length = 0;
    const again = openSession();
    expect(again.restored()).toBe(true);
    expect(again.job()?.name).toBe('Closed lid');
    vi.advanceTimersByTime(800);
    expect(api.head.document.name).toBe('Closed lid');
    again.undo();
    expect(again.job()?.name).toBe('House');
  });

  it('whose answer was lost is no conflict: the same document is there already', () => {
    api.answers.push((attempt) => {
      api.accept(attempt);
      return refused(409, api.conflictBody(attempt));
    });
    const session = openSession();
    rename(session, 'Mine');
    vi.advanceTimersByTime(800);
    expect([session.status(), session.conflict()]).toEqual(['saved', null]);
  });
});

describe('a conflict', () => {
  const meet = (): JobSession => {
    const session = openSession();
    api.head = saved(newJob('Theirs'), 5);
    api.answers.push((attempt) => refused(409, api.conflictBody(attempt)));
    rename(session, 'Mine');
    vi.advanceTimersByTime(800);
    return session;
  };

  it('stops saving until somebody decides', () => {
    const session = meet();
    expect(session.status()).toBe('conflict');
    expect(session.conflict()?.theirs.document.name).toBe('Theirs');
    rename(session, 'Mine, later');
    vi.advanceTimersByTime(5000);
    expect(api.attempts).toHaveLength(1);
  });

  it('kept mine is saved on top of theirs', () => {
    const session = meet();
    session.resolve(session.job()!);
    vi.advanceTimersByTime(800);
    expect(api.attempts.at(-1)).toMatchObject({ baseRevision: 5, document: { name: 'Mine' } });
    expect(session.status()).toBe('saved');
  });

  it('resolved with theirs saves nothing, and undo brings mine back', () => {
    const session = meet();
    session.resolve(session.conflict()!.theirs.document);
    vi.advanceTimersByTime(800);
    expect([session.status(), session.job()?.name]).toEqual(['saved', 'Theirs']);
    session.undo();
    vi.advanceTimersByTime(800);
    expect(api.head.document.name).toBe('Mine');
  });

  it('is met at once when a draft is older than what the server has', () => {
    new DraftStore().write(id, { baseRevision: 1, document: newJob('Draft'), savedAt: 1 });
    api.head = saved(newJob('Newer'), 4);
    const session = openSession();
    expect([session.status(), session.job()?.name]).toEqual(['conflict', 'Draft']);
  });
});

describe('a save that is refused', () => {
  it('says why, keeps the edit, and is tried again with the next one', () => {
    const session = openSession();
    api.answers.push(() =>
      refused(422, { detail: 'Enter a name', problems: [{ path: 'name', message: 'Enter a name' }] }),
    );
    rename(session, 'Refused');
    vi.advanceTimersByTime(800);
    expect([session.status(), session.message(), session.job()?.name]).toEqual([
      'refused',
      'Enter a name (at name)',
      'Refused',
    ]);
    rename(session, 'Better');
    vi.advanceTimersByTime(800);
    expect([session.status(), api.head.document.name]).toEqual(['saved', 'Better']);
  });
});
