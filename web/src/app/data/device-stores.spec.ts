import { openPage, FakeApi, FakeTab } from './testing';
import { webcrypto } from 'node:crypto';
import { IDBFactory } from 'fake-indexeddb';
import { Injector, runInInjectionContext } from '@angular/core';
import type { OutageStudy } from '@levamen/core/study/details';
import { changePlan, type Job, newJob, planOf } from '@levamen/core/job';
import { beforeEach, describe, expect, it } from 'vitest';
import { AnswerStore } from './answer-store';
import { DeviceDatabase } from './device-database';
import { record, startHistory } from './history';
import { HistoryStore } from './history-store';
import { Tab } from './tab';

beforeEach(() => {
  indexedDB = new IDBFactory();
  // The page's own; the test environment has none.
  if (!('subtle' in crypto))
    Object.defineProperty(globalThis, 'crypto', { value: webcrypto, configurable: true });
});

describe('answers to long studies', () => {
  const study = (job: Job, islandId = ''): OutageStudy => ({
    plan: planOf(job),
    islandId,
    parts: [],
    weather: null,
  });
  const storeOn = (database: DeviceDatabase): AnswerStore =>
    runInInjectionContext(
      Injector.create({ providers: [{ provide: DeviceDatabase, useValue: database }] }),
      () => new AnswerStore(),
    );

  it('survive the page, for exactly the study they are about', async () => {
    const job = newJob('House');
    await storeOn(new DeviceDatabase()).keep('chances', study(job), { hours: Float32Array.from([1.5, 2]) });
    const store = storeOn(new DeviceDatabase());
    expect(await store.find('chances', study(structuredClone(job)))).toMatchObject({
      hours: { 0: 1.5, 1: 2 },
    });
    expect(await store.find('helps', study(job))).toBeNull();
    expect(await store.find('chances', study(job, 'other island'))).toBeNull();
    expect(
      await store.find('chances', study({ ...job, brief: { ...job.brief, requiredRuntimeH: 5 } })),
    ).toBeNull();
    expect(await store.find('chances', { ...study(job), parts: [{ unitId: 'x', quantity: 1 }] })).toBeNull();
  });

  it('do not ask again when only a cost was entered', async () => {
    const store = storeOn(new DeviceDatabase());
    const job = newJob('House');
    await store.keep('helps', study(job), 7);
    const cost = { amount: '900', currency: null };
    const dearer = changePlan(job, (plan) => ({
      ...plan,
      sources: { ...plan.sources, costs: [{ id: 'pack', change: 'one more pack', cost }] },
    }));
    expect(await store.find('helps', study(dearer))).toBe(7);
  });

  it('are forgotten, the oldest first, when there are many', async () => {
    const database = new DeviceDatabase();
    const store = storeOn(database);
    for (let number = 0; number < 45; number += 1)
      await store.keep('chances', study(newJob('House'), `island-${number}`), number);
    expect(await (await database.open()).count('answers')).toBe(40);
    expect(await store.find('chances', study(newJob('House'), 'island-44'))).toBe(44);
  });

  it('are asked again where the device keeps nothing', async () => {
    const database = new DeviceDatabase();
    database.open = () => Promise.reject(new Error('storage is off'));
    const store = storeOn(database);
    await store.keep('chances', study(newJob('House')), 1);
    expect(await store.find('chances', study(newJob('House')))).toBeNull();
  });
});

describe('steps of undo', () => {
  const alive = new Set<string>();
  const storeOf = (name: string): HistoryStore => {
    const injector = Injector.create({
      providers: [
        { provide: DeviceDatabase, useValue: new DeviceDatabase() },
        { provide: Tab, useValue: new FakeTab(name, alive) },
      ],
    });
    return runInInjectionContext(injector, () => new HistoryStore());
  };
  const named = (...names: string[]) =>
    names
      .slice(1)
      .reduce((history, name) => record(history, name, newJob(name)), startHistory(newJob(names[0]!)));

  beforeEach(() => alive.clear());

  it('are found again for the job they lead to', async () => {
    await storeOf('tab').write('job', named('A', 'B', 'C'));
    const found = await storeOf('tab').find('job', newJob('C'));
    expect(found?.past.map(({ label }) => label)).toEqual(['B', 'C']);
    expect(await storeOf('tab').find('job', newJob('B'))).toBeNull();
    expect(await storeOf('tab').find('another job', newJob('C'))).toBeNull();
  });

  it('are this tab’s own, then those of closed tabs, never those of living ones', async () => {
    await storeOf('living').write('job', named('living', 'X'));
    await storeOf('closed').write('job', named('closed', 'X'));
    alive.delete('closed');
    expect((await storeOf('new').find('job', newJob('X')))?.past[0]?.before.name).toBe('closed');
    await storeOf('new').write('job', named('own', 'X'));
    expect((await storeOf('new').find('job', newJob('X')))?.past[0]?.before.name).toBe('own');
  });

  it('are kept to a number that a device stands', async () => {
    const many = Array.from({ length: 200 }, (_, i) => `Step ${i}`);
    await storeOf('tab').write('job', named(...many));
    expect((await storeOf('tab').find('job', newJob('Step 199')))?.past).toHaveLength(60);
  });
});

describe('a device', () => {
  it('tries again to open its database after it failed once', async () => {
    const working = indexedDB;
    indexedDB = {
      open: () => {
        throw new Error('private window');
      },
    } as unknown as IDBFactory;
    const database = new DeviceDatabase();
    await expect(database.open()).rejects.toThrow('private window');
    indexedDB = working;
    expect((await database.open()).name).toBe('levamen');
  });

  it('shares one database among its tabs', async () => {
    const alive = new Set<string>();
    const [a, b] = [
      openPage(new FakeApi(), new FakeTab('a', alive)),
      openPage(new FakeApi(), new FakeTab('b', alive)),
    ];
    const draft = {
      baseRevision: 1,
      base: newJob('A'),
      document: newJob('B'),
      unanswered: [],
      savedAt: 1,
      contains: [],
    };
    await a.drafts.write('job', draft);
    alive.delete('a');
    expect((await b.drafts.left('job')).map(({ tab }) => tab)).toEqual(['a']);
    await b.drafts.remove('job', 'a', 0);
    expect(await b.drafts.left('job')).toHaveLength(1);
    await b.drafts.remove('job', 'a', 1);
    expect(await b.drafts.left('job')).toEqual([]);
  });
});
