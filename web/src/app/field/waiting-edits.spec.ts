import { FakeApi, FakeTab, jobId, openPage, refused, pass, stopTime } from '../data/testing';
import { IDBFactory } from 'fake-indexeddb';
import { type Job, newJob } from '@levamen/core/job';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

let api: FakeApi;
let alive: Set<string>;

const noted = (job: Job, notes: string): Job => ({ ...job, brief: { ...job.brief, notes } });

beforeEach(() => {
  stopTime();
  indexedDB = new IDBFactory();
  api = new FakeApi();
  alive = new Set();
});
afterEach(() => {
  vi.useRealTimers();
});

/** A tab that was closed without a network, by somebody. */
async function closed(name: string, document: Job, account: string | null = null): Promise<void> {
  const tab = new FakeTab(name, alive);
  tab.account = account;
  const { drafts } = openPage(api, tab);
  const written = drafts.write(jobId, {
    baseRevision: 1,
    base: newJob('House'),
    document,
    unanswered: [],
    contains: [],
    savedAt: Date.now(),
  });
  await pass();
  await written;
  alive.delete(name);
}

async function opened(account: string | null = null) {
  const tab = new FakeTab('now', alive);
  tab.account = account;
  const page = openPage(api, tab);
  const waiting = page.waiting();
  waiting.begin();
  await pass(8000);
  const kept = async (): Promise<number> => {
    const all = page.drafts.all();
    await pass();
    return (await all).length;
  };
  return { page, waiting, kept };
}

describe('edits of a closed page', () => {
  it('are sent though nobody opens the job, merged with what happened meanwhile', async () => {
    await closed('dead', newJob('Longhouse'));
    api.put(noted(newJob('House'), 'Theirs'));
    const { waiting, kept } = await opened();
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Longhouse', 'Theirs']);
    await pass(40_000);
    expect([waiting.jobs(), await kept()]).toEqual([[], 0]);
  });

  it('go, too, where the server has them already, among what happened meanwhile', async () => {
    // The window that sent them was closed before it heard the answer; then somebody else went on.
    await closed('dead', newJob('Longhouse'));
    api.put(newJob('Longhouse'));
    api.put(noted(newJob('Longhouse'), 'Theirs'));
    const { waiting, kept } = await opened();
    expect([waiting.jobs(), await kept()]).toEqual([[], 0]);
    expect([api.head.document.name, api.head.document.brief.notes]).toEqual(['Longhouse', 'Theirs']);
    expect(api.head.revision).toBe(3);
  });

  it('wait for a decision where both changed the same', async () => {
    await closed('dead', newJob('Mine'));
    api.put(newJob('Theirs'));
    const { waiting, kept } = await opened();
    expect(waiting.jobs()).toMatchObject([{ jobId, name: 'Mine', status: 'conflict' }]);
    expect(api.head.document.name).toBe('Theirs');
    expect(await kept()).toBeGreaterThan(0);
  });

  it('of a job that is gone stay, and it is said', async () => {
    await closed('dead', newJob('Longhouse'));
    api.read = () => refused(404, { title: 'Not found', detail: 'No such job.', status: 404 });
    const { waiting, kept } = await opened();
    expect(waiting.jobs()).toMatchObject([{ status: 'refused', message: 'No such job.' }]);
    expect(await kept()).toBe(1);
  });

  it('are never sent under somebody else’s name', async () => {
    await closed('dead', newJob('Longhouse'), 'ada');
    const { waiting, kept } = await opened('ben');
    expect([api.attempts.length, waiting.jobs().length, waiting.ofOthers(), await kept()]).toEqual([
      0, 0, 1, 1,
    ]);
    const back = await opened('ada');
    expect(api.head.document.name).toBe('Longhouse');
    expect(back.waiting.ofOthers()).toBe(0);
  });

  it('that say the same are sent once', async () => {
    await closed('one', newJob('Longhouse'));
    await closed('two', newJob('Longhouse'));
    const { kept } = await opened();
    await pass(40_000);
    expect([api.attempts.length, await kept()]).toEqual([1, 0]);
  });
});
