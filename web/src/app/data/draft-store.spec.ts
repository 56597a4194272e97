import { openPage, FakeApi, FakeTab } from './testing';
import { IDBFactory } from 'fake-indexeddb';
import { newJob } from '@levamen/core/job';
import { beforeEach, describe, expect, it } from 'vitest';
import { DeviceDatabase } from './device-database';

const draft = (name: string, savedAt: number) => ({
  baseRevision: 3,
  base: newJob('Base'),
  document: newJob(name),
  unanswered: [],
  savedAt,
  contains: [],
});
let alive: Set<string>;
const storeOf = (name: string) => openPage(new FakeApi(), new FakeTab(name, alive)).drafts;

beforeEach(() => {
  indexedDB = new IDBFactory();
  alive = new Set();
});

describe('drafts on this device', () => {
  it('are kept until the server has exactly them', async () => {
    const store = storeOf('a');
    await store.write('job', draft('First', 1));
    await store.write('job', draft('Second', 2));
    await store.clear('job', 1);
    expect((await store.left('job')).map((one) => one.draft)).toEqual([draft('Second', 2)]);
    await store.clear('job', 2);
    expect(await store.left('job')).toEqual([]);
  });

  it('of closed tabs are found, newest first, and looking removes none', async () => {
    await storeOf('older').write('job', draft('Older', 1));
    await storeOf('newer').write('job', draft('Newer', 2));
    await storeOf('living').write('job', draft('Living', 3));
    alive.delete('older');
    alive.delete('newer');
    const store = storeOf('mine');
    for (let round = 0; round < 2; round += 1)
      expect((await store.left('job')).map((one) => one.draft?.document.name)).toEqual(['Newer', 'Older']);
    expect(await store.left('other job')).toEqual([]);
  });

  it('that cannot be read are kept, and handed out as they are', async () => {
    const database = new DeviceDatabase();
    const raw = {
      jobId: 'job',
      tab: 'gone',
      baseRevision: 1,
      base: {},
      document: { format: 'other' },
      unanswered: [],
      savedAt: 1,
    };
    await (await database.open()).put('drafts', raw);
    const [found] = await storeOf('mine').left('job');
    expect([found?.draft, found?.raw]).toEqual([null, raw]);
    expect(await storeOf('mine').left('job')).toHaveLength(1);
  });
});
