import { openPage, FakeApi, FakeTab, jobId, offline, refused, updatedAt, pass, stopTime } from './testing';
import { IDBFactory } from 'fake-indexeddb';
import { type Job, newJob } from '@levamen/core/job';
import type { SavedJob, SaveResult } from '@levamen/core/api';
import { firstValueFrom, Subject, NEVER } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DeviceDatabase } from './device-database';
import type { JobSession } from './job-session';

let api: FakeApi;
let alive: Set<string>;
let tabs = 0;

const rename = (session: JobSession, name: string): string =>
  session.editJob('name', (job) => ({ ...job, name }));
const note = (session: JobSession, notes: string): string =>
  session.editJob('notes', (job) => ({ ...job, brief: { ...job.brief, notes } }));
const notes = (job: Job, text: string): Job => ({ ...job, brief: { ...job.brief, notes: text } });

async function open(tab = new FakeTab(`tab-${(tabs += 1)}`, alive), database?: DeviceDatabase) {
  const page = openPage(api, tab, database);
  const opened = firstValueFrom(page.session.open(jobId));
  await pass(5000);
  await opened;
  return { ...page, tab };
}

beforeEach(() => {
  stopTime();
  indexedDB = new IDBFactory();
  api = new FakeApi();
  alive = new Set();
});
afterEach(() => {
  vi.useRealTimers();
});

describe('saving by itself', () => {
  it('waits for a pause in typing, then sends one save, and keeps no draft of what is there', async () => {
    const { session, drafts } = await open();
    rename(session, 'A');
    await pass(400);
    rename(session, 'AB');
    expect(session.status()).toBe('unsaved');
    expect(api.attempts).toHaveLength(0);
    expect(await left(drafts)).toEqual(['AB']);
    await pass(1000);
    expect(api.attempts.map(({ document }) => document.name)).toEqual(['AB']);
    expect(session.status()).toBe('saved');
    expect(await left(drafts)).toEqual([]);
  });

  it('saves what was typed while a save was under way', async () => {
    const answer = new Subject<SaveResult>();
    api.answers.push(() => answer);
    const { session } = await open();
    rename(session, 'First');
    await pass(800);
    rename(session, 'Second');
    await pass(800);
    expect(api.attempts).toHaveLength(1);
    api.put({ ...api.head.document, name: 'First' });
    answer.next({ revision: 2, updatedAt });
    answer.complete();
    await pass();
    expect(api.attempts.map(({ document, baseRevision }) => [document.name, baseRevision])).toEqual([
      ['First', 1],
      ['Second', 2],
    ]);
    expect(session.status()).toBe('saved');
  });

  it('saves nothing when undo comes back to what is saved', async () => {
    const { session } = await open();
    rename(session, 'Oops');
    session.undo();
    await pass(800);
    expect(api.attempts).toHaveLength(0);
    expect([session.status(), session.redoLabel()]).toEqual(['saved', 'name']);
    session.redo();
    await pass(800);
    expect(api.head.document.name).toBe('Oops');
  });

  it('does not take an edit that would make the job invalid, and says why', async () => {
    const { session } = await open();
    expect(rename(session, '')).toContain('Enter a name');
    expect([session.refusal(), session.job()?.name]).toEqual(['Enter a name (name)', 'House']);
    expect(rename(session, 'Fine')).toBe('');
    expect(session.refusal()).toBe('');
  });

  it('makes one step of a word that is typed, and a new one after the field was left', async () => {
    const { session, typing } = await open();
    for (const text of ['H', 'He', 'Hel']) typing.during(() => note(session, text));
    typing.pause();
    typing.during(() => note(session, 'Hello'));
    session.undo();
    expect(session.job()?.brief.notes).toBe('Hel');
    session.undo();
    expect(session.job()?.brief.notes).toBe('');
  });
});

describe('leaving', () => {
  it('the job sends at once what waits, and the page that shows it may be gone', async () => {
    const { session, leave, savers } = await open();
    rename(session, 'Left at once');
    leave();
    expect(await settledSoon(savers)).toBe(true);
    expect(api.head.document.name).toBe('Left at once');
  });

  it('the page sends what fits into a request that outlives it; coming back finds it is there already', async () => {
    api.answers.push(() => new Subject());
    const first = await open();
    rename(first.session, 'Closed');
    await pass(10);
    window.dispatchEvent(new Event('pagehide'));
    expect(api.parting.map(({ document }) => document.name)).toEqual(['Closed']);
    api.accept(api.parting[0]!);
    alive.delete(first.tab.name);
    const again = await open();
    expect([again.session.restored(), again.session.job()?.name, again.session.status()]).toEqual([
      false,
      'Closed',
      'saved',
    ]);
  });

  it('waits for another visit to the same job: its edits are there', async () => {
    const page = await open();
    rename(page.session, 'Coming back');
    const again = firstValueFrom(page.session.open(jobId));
    await pass(5000);
    await again;
    expect(page.session.job()?.name).toBe('Coming back');
  });

  it('another job never lets an answer for the old one touch the new', async () => {
    const slow = new Subject<SaveResult>();
    api.answers.push(() => slow);
    const page = await open();
    rename(page.session, 'Old job');
    await pass(800);
    const other = '00000000-0000-4000-8000-000000000002';
    api.read = () => new Subject<SavedJob>();
    page.session.open(other).subscribe();
    await pass(6000);
    slow.next({ revision: 2, updatedAt });
    await pass();
    expect([page.session.job(), page.session.id()]).toEqual([null, jobId]);
  });
});

describe('a server that does not answer', () => {
  it('gets the newest document, with the ids of saves it never answered', async () => {
    api.answers.push(offline, offline, () => refused(503));
    const { session } = await open();
    rename(session, 'Kept');
    await pass(800);
    expect(session.status()).toBe('retrying');
    rename(session, 'Kept, and more');
    await pass(20_000);
    const [first, second] = api.attempts;
    expect(second!.document.name).toBe('Kept, and more');
    expect(second!.supersedes).toEqual([first!.saveId]);
    expect(api.head.document.name).toBe('Kept, and more');
    expect(session.status()).toBe('saved');
  });

  it('gets the same save under the same id while nothing else was typed', async () => {
    api.answers.push(offline, offline);
    const { session } = await open();
    rename(session, 'Kept');
    await pass(10_000);
    expect(new Set(api.attempts.map(({ saveId }) => saveId)).size).toBe(1);
    expect([api.attempts.length, session.status()]).toEqual([3, 'saved']);
  });

  it('whose answer was lost is no conflict, even when somebody typed on and somebody else saved on top', async () => {
    api.answers.push((attempt) => {
      api.accept(attempt);
      api.put(notes(api.head.document, 'Theirs'));
      return offline();
    });
    const { session } = await open();
    rename(session, 'One');
    await pass(800);
    rename(session, 'Two');
    await pass(10_000);
    expect([session.status(), session.conflict()]).toEqual(['saved', null]);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Two', 'Theirs']);
  });

  it('leaves a draft that the next visit takes up, with its steps of undo', async () => {
    api.answers.push(...Array.from({ length: 50 }, () => offline));
    const first = await open();
    rename(first.session, 'Closed');
    rename(first.session, 'Closed lid');
    await pass(2000);
    first.leave();
    alive.delete(first.tab.name);
    api.answers.length = 0;
    const again = await open();
    expect([again.session.restored(), again.session.job()?.name]).toEqual([true, 'Closed lid']);
    await pass(2000);
    expect(api.head.document.name).toBe('Closed lid');
    again.session.undo();
    expect(again.session.job()?.name).toBe('Closed');
    again.session.undo();
    expect(again.session.job()?.name).toBe('House');
  });

  it('that answers 500 is tried some times, then it is said, and edits go on being kept', async () => {
    api.answers.push(
      ...Array.from({ length: 5 }, () => () => refused(500, { detail: 'Something went wrong.' })),
    );
    const { session, drafts } = await open();
    rename(session, 'Stuck');
    await pass(30_000);
    expect(session.status()).toBe('failing');
    expect(session.message()).toContain('tried 5 times');
    expect(await left(drafts)).toEqual(['Stuck']);
    expect(api.attempts).toHaveLength(5);
    await pass(70_000);
    expect([session.status(), api.head.document.name]).toEqual(['saved', 'Stuck']);
  });

  it('cannot stick: neither nonsense nor a failing device ends the saves', async () => {
    const database = new DeviceDatabase();
    database.open = () => Promise.reject(new Error('storage is off'));
    api.answers.push(() => refused(409, { error: 'no json' }));
    const { session } = await open(undefined, database);
    rename(session, 'A');
    await pass(10);
    expect([session.isKept(), session.message()]).toEqual([false, expect.stringContaining('keeps no draft')]);
    const leaving = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(leaving);
    expect(leaving.defaultPrevented).toBe(true);
    await pass(800);
    expect(session.status()).toBe('refused');
    rename(session, 'B');
    await pass(800);
    expect([session.status(), api.head.document.name]).toEqual(['saved', 'B']);
  });
});

describe('somebody else', () => {
  it('who changed another field is taken in without asking; undo takes back mine only', async () => {
    const { session } = await open();
    rename(session, 'Before');
    await pass(800);
    api.put(notes(api.head.document, 'Theirs'));
    rename(session, 'Mine');
    await pass(800);
    expect([session.status(), session.conflict()]).toEqual(['saved', null]);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Mine', 'Theirs']);
    expect(session.takenIn()).toMatchObject({
      theirs: { actor: 'Zoë' },
      taken: [{ label: 'brief › notes' }],
    });
    session.undo();
    expect([session.job()?.name, session.job()?.brief.notes]).toEqual(['Before', 'Theirs']);
    session.redo();
    expect([session.job()?.name, session.job()?.brief.notes]).toEqual(['Mine', 'Theirs']);
  });

  it('is taken back by one click, and mine stays', async () => {
    const { session } = await open();
    api.put(notes(api.head.document, 'Theirs'));
    rename(session, 'Mine');
    await pass(800);
    session.leaveOut(session.takenIn()!);
    await pass(800);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Mine', '']);
  });

  it('who changed the same field is asked about; saving waits for the answer', async () => {
    const { session } = await open();
    api.put({ ...notes(api.head.document, 'Theirs'), name: 'Theirs' });
    rename(session, 'Mine');
    await pass(800);
    expect(session.status()).toBe('conflict');
    rename(session, 'Mine, later');
    await pass(5000);
    expect(api.attempts).toHaveLength(1);
    session.resolve({ ...api.head.document, name: 'Mine, later' });
    await pass(800);
    expect([session.status(), api.head.document.name, api.head.document.brief.notes]).toEqual([
      'saved',
      'Mine, later',
      'Theirs',
    ]);
    session.undo();
    expect([session.job()?.name, session.job()?.brief.notes]).toEqual(['Mine', 'Theirs']);
  });

  it('who saved while a draft waited on a device is merged when it is taken up', async () => {
    api.answers.push(...Array.from({ length: 50 }, () => offline));
    const first = await open();
    rename(first.session, 'Offline');
    await pass(800);
    alive.delete(first.tab.name);
    first.leave();
    api.answers.length = 0;
    api.put(notes(newJob('House'), 'Theirs'));
    const again = await open();
    await pass(2000);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Offline', 'Theirs']);
    expect(again.session.status()).toBe('saved');
  });
});

describe('what somebody else saves while the job is open', () => {
  it('is taken in at once where nothing waits, and undo leaves it alone', async () => {
    const { session } = await open();
    rename(session, 'Mine');
    await pass(800);
    api.put(notes(api.head.document, 'Theirs'));
    session.hearOf(api.head.revision);
    await pass();
    expect([session.job()?.name, session.job()?.brief.notes, session.status()]).toEqual([
      'Mine',
      'Theirs',
      'saved',
    ]);
    expect(session.takenIn()?.taken.length).toBeGreaterThan(0);
    session.undo();
    await pass(800);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['House', 'Theirs']);
  });

  it('waits for the own save where one is under way, and is not forgotten', async () => {
    const answer = new Subject<SaveResult>();
    api.answers.push(() => answer);
    const { session } = await open();
    rename(session, 'Mine');
    await pass(800);
    // The save has arrived, and somebody built on it, before its answer is here.
    api.put({ ...api.head.document, name: 'Mine' });
    api.put(notes(api.head.document, 'Theirs'));
    session.hearOf(3);
    await pass();
    expect(session.job()?.brief.notes).toBe('');
    answer.next({ revision: 2, updatedAt });
    answer.complete();
    await pass();
    expect([session.job()?.brief.notes, session.status()]).toEqual(['Theirs', 'saved']);
    expect(api.attempts).toHaveLength(1);
  });

  it('is kept on a device that took the job along, even where it holds all of what was entered here', async () => {
    const { session, kept } = await open();
    rename(session, 'Mine');
    // Another window of this device was faster, and somebody went on from there.
    api.put(notes({ ...api.head.document, name: 'Mine' }, 'Theirs'));
    await pass(800);
    expect([session.status(), api.head.revision]).toEqual(['saved', 2]);
    expect(kept.at(-1)).toMatchObject({
      revision: 2,
      document: { name: 'Mine', brief: { notes: 'Theirs' } },
    });
  });

  it('is nothing new where this page saved it', async () => {
    const { session } = await open();
    rename(session, 'Mine');
    await pass(800);
    session.hearOf(2);
    await pass();
    expect(session.takenIn()).toBeNull();
  });
});

describe('drafts of other windows', () => {
  it('that live are left alone; of closed ones the newest is taken up, the others are offered and not removed', async () => {
    api.answers.push(...Array.from({ length: 99 }, () => offline));
    const pages = [];
    for (const name of ['Oldest', 'Living', 'Newest']) {
      const page = await open();
      // Each starts from what the server has, not from the draft of the one before.
      page.session.editJob('name', () => ({ ...newJob('House'), name }));
      await pass(10);
      pages.push(page);
    }
    alive.delete(pages[0]!.tab.name);
    alive.delete(pages[2]!.tab.name);
    const again = await open();
    expect(again.session.job()?.name).toBe('Newest');
    expect(again.session.leftDrafts().map(({ draft }) => draft?.document.name)).toEqual(['Oldest']);
    again.session.takeUp(again.session.leftDrafts()[0]!);
    expect(again.session.leftDrafts()).toEqual([]);
  });

  it('that were taken up by a window which was closed in its turn are gone once the newest is saved', async () => {
    api.answers.push(...Array.from({ length: 3 }, () => () => NEVER));
    for (const name of ['First', 'Second', 'Third']) {
      const page = await open();
      rename(page.session, name);
      await pass(2000);
      page.leave();
      alive.delete(page.tab.name);
    }
    const { session, drafts } = await open();
    expect([session.job()?.name, session.leftDrafts()]).toEqual(['Third', []]);
    await pass(10_000);
    expect([session.status(), api.head.document.name]).toEqual(['saved', 'Third']);
    expect(await left(drafts)).toEqual([]);
  });
});

describe('a save that is refused', () => {
  it('says why, keeps the edit, and is tried again with the next one', async () => {
    const { session } = await open();
    api.answers.push(() =>
      refused(422, { detail: 'Enter a name', problems: [{ path: 'name', message: 'Enter a name' }] }),
    );
    rename(session, 'Refused');
    await pass(800);
    expect([session.status(), session.message(), session.job()?.name]).toEqual([
      'refused',
      'Enter a name (at name)',
      'Refused',
    ]);
    rename(session, 'Better');
    await pass(800);
    expect([session.status(), api.head.document.name]).toEqual(['saved', 'Better']);
  });
});

async function left(drafts: Awaited<ReturnType<typeof open>>['drafts']): Promise<unknown[]> {
  const found = drafts.left(jobId);
  await pass();
  return (await found).map(({ draft }) => draft?.document.name);
}

async function settledSoon(savers: Awaited<ReturnType<typeof open>>['savers']): Promise<boolean> {
  const settled = savers.settled();
  await pass(100);
  return settled;
}
