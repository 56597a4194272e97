import { loadFromLibrary, loadLibrary } from '@levamen/core/house/details';
import { demoJobs, type Job } from '@levamen/core/job';
import { jobQuerySchema } from '@levamen/core/api';
import * as fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { percentile, times, writeDown } from '../testing/proof.js';
import { openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { JobStore } from './job-store.js';
import { keepAs, wholeEvery } from './revision-document.js';

const who = { actor: 'Zoë', device: 'tablet' };
const { job } = demoJobs.toSorted((a, b) => b.job.loads.length - a.job.loads.length)[0]!;

let database: TestDatabase;
beforeAll(async () => {
  database = await openTestDatabase();
});
afterAll(() => database.close());

const storeOf = (): JobStore => new JobStore(database.source, defaultWorkspaceId);
const saving = (baseRevision: number, document: Job, supersedes: readonly string[] = []) => ({
  baseRevision,
  saveId: crypto.randomUUID(),
  supersedes,
  document,
});

/** What somebody does in a day: words, figures, loads that come and go. */
function edited(present: Job, step: number): Job {
  const index = step % present.loads.length;
  const set = (change: Partial<Job['loads'][number]>): Job => ({
    ...present,
    loads: present.loads.map((load, i) => (i === index ? { ...load, ...change } : load)),
  });
  switch (step % 5) {
    case 0:
      return set({ runningPowerW: 50 + ((step * 37) % 1900) });
    case 1:
      return { ...present, brief: { ...present.brief, notes: `Note ${step}`.repeat(1 + (step % 4)) } };
    case 2:
      return set({ name: `Load ${step}` });
    case 3: {
      const typical = loadLibrary[step % loadLibrary.length]!;
      const load = loadFromLibrary(typical, `added-${step}`, present.supply.system, present.loads);
      return present.loads.length < 60
        ? { ...present, loads: [...present.loads, load] }
        : set({ quantity: 1 + (step % 3) });
    }
    default:
      return present.loads.length > 20 && step % 15 === 4
        ? { ...present, loads: present.loads.filter(({ id }) => !id.startsWith('added-') || step % 2 === 0) }
        : { ...present, outage: { ...present.outage, seed: 1 + (step % 999) } };
  }
}

describe('revisions as differences', () => {
  it('come back to the letter, every one, also in a server that has just started', async () => {
    const store = storeOf();
    const { id } = await store.create(job, who);
    const states = [job];
    const saves = times(200, 5000);
    for (let step = 1; step < saves; step += 1) {
      states.push(edited(states.at(-1)!, step));
      expect(await store.save(id, saving(step, states.at(-1)!), who)).toMatchObject({ kind: 'saved' });
    }
    const opening: number[] = [];
    const some = fc.sample(fc.integer({ min: 1, max: saves }), { numRuns: 60, seed: 7 });
    for (const revision of [1, 2, wholeEvery, wholeEvery + 1, saves, ...some]) {
      const fresh = storeOf();
      const begin = performance.now();
      const stored = await fresh.revision(id, revision);
      opening.push(performance.now() - begin);
      expect(stored?.document).toEqual(states[revision - 1]);
    }
    const [kept] = await database.source.query<{ whole: string; bytes: string }[]>(
      `SELECT count(document) AS whole, sum(pg_column_size(r.*)) AS bytes FROM job_revision r WHERE job_id = $1`,
      [id],
    );
    expect(Number(kept!.whole)).toBeLessThan(saves / wholeEvery + 20);
    // Twenty megabytes a day of 5,000 saves.
    expect(Number(kept!.bytes) / saves).toBeLessThan(4000);
    const [table] = await database.source.query<{ bytes: string }[]>(
      "SELECT pg_total_relation_size('job_revision') AS bytes",
    );
    writeDown('revisions', {
      saves,
      'rows, MB': (Number(kept!.bytes) / 1e6).toFixed(2),
      'table with indexes, MB': (Number(table!.bytes) / 1e6).toFixed(2),
      'whole documents among them': Number(kept!.whole),
      'opening any, median ms': percentile(opening, 0.5).toFixed(1),
      'opening any, longest ms': Math.max(...opening).toFixed(1),
    });
  }, 900_000);

  it('say what changed, by whom, newest first, a page at a time', async () => {
    const store = storeOf();
    const { id } = await store.create(job, who);
    const second = { ...job, name: 'Renamed', brief: { ...job.brief, requiredRuntimeH: 99 } };
    await store.save(id, saving(1, second), who);
    await store.save(id, saving(2, job), { actor: 'Max', device: 'desk' });
    const [last, before, first] = (await store.revisions(id, undefined, 3))!;
    expect(last).toMatchObject({ revision: 3, actor: 'Max', device: 'desk' });
    expect(before!.changes).toEqual({ count: 2, labels: ['name', 'brief › required runtime'] });
    expect(first).toMatchObject({ revision: 1, actor: 'Zoë', changes: { count: 0 } });
    expect((await store.revisions(id, 3, 1))!.map(({ revision }) => revision)).toEqual([2]);
  });

  it('are whole at the first, at every 64th, after a change of version, and where a difference would be no shorter', () => {
    const small = { version: 5, name: 'b' };
    expect(keepAs(null, small, 7).patch).toBeNull();
    expect(keepAs(small, { ...small, name: 'c' }, 7).document).toBeNull();
    expect(keepAs(small, { ...small, name: 'c' }, wholeEvery + 1).patch).toBeNull();
    expect(keepAs({ ...small, version: 4 }, small, 7).patch).toBeNull();
    const numbers = (add: number) => ({ version: 5, list: Array.from({ length: 500 }, (_, i) => i + add) });
    expect(keepAs(numbers(0), numbers(1), 7).patch).toBeNull();
  });
});

describe('a save that supersedes ones without an answer', () => {
  it('builds on the one that arrived after all', async () => {
    const store = storeOf();
    const { id } = await store.create(job, who);
    const lost = saving(1, { ...job, name: 'Lost answer' });
    await store.save(id, lost, who);
    const next = saving(1, { ...job, name: 'Typed on' }, [lost.saveId]);
    expect(await store.save(id, next, who)).toMatchObject({ kind: 'saved', result: { revision: 3 } });
    expect(await store.save(id, next, who)).toMatchObject({ kind: 'saved', result: { revision: 3 } });
  });

  it('gets that one as the common base when somebody saved on top of it', async () => {
    const store = storeOf();
    const { id } = await store.create(job, who);
    const lost = saving(1, { ...job, name: 'Lost answer' });
    await store.save(id, lost, who);
    await store.save(id, saving(2, { ...job, name: 'Theirs' }), who);
    const outcome = await store.save(id, saving(1, job, [lost.saveId]), who);
    expect(outcome).toMatchObject({ kind: 'stale', base: { name: 'Lost answer' }, theirs: { revision: 3 } });
  });

  it('of many pages at once lets one through for each revision', async () => {
    const stores = [storeOf(), storeOf()];
    const { id } = await stores[0]!.create(job, who);
    const outcomes = await Promise.all(
      Array.from({ length: 40 }, (_, i) =>
        stores[i % 2]!.save(id, saving(1, { ...job, name: `Racer ${i}` }), who),
      ),
    );
    expect(outcomes.filter(({ kind }) => kind === 'saved')).toHaveLength(1);
    expect(outcomes.filter(({ kind }) => kind === 'stale')).toHaveLength(39);
  });
});

describe('the list of jobs', () => {
  it('is paged, searched and sorted by columns, among thousands of jobs', async () => {
    const store = storeOf();
    const jobs = times(1000, 10_000);
    await database.source.query(
      `INSERT INTO job (workspace_id, name, place, sought, load_count, head_revision, updated_at)
       SELECT $1, 'Street ' || n, place, lower('Street ' || n || E'\\n' || place), n % 50, 1, now() - n * interval '1 minute'
       FROM generate_series(1, $2::int) n, LATERAL (SELECT CASE WHEN n % 2 = 0 THEN 'Uphill' ELSE 'Downhill 100 %' END AS place) p`,
      [defaultWorkspaceId, jobs],
    );
    const query = (asked: object) => store.list(jobQuerySchema.parse(asked));
    const took: number[] = [];
    for (let round = 0; round < 20; round += 1) {
      const begin = performance.now();
      await query({
        search: round % 2 === 0 ? '' : 'uphill',
        sort: (['changed', 'name', 'place', 'loads'] as const)[round % 4],
      });
      took.push(performance.now() - begin);
    }
    const found = await query({ search: 'street 77', sort: 'name', order: 'up' });
    expect(found.rows[0]?.name).toBe('Street 77');
    expect((await query({ search: '100 %' })).total).toBe(jobs / 2);
    expect((await query({ search: '_' })).total).toBe(0);
    const second = await query({ search: 'street', page: 2 });
    expect(second.rows).toHaveLength(50);
    expect((await query({ search: 'street', page: 999 })).rows).toEqual([]);
    writeDown('list', {
      jobs,
      'a page, median ms': percentile(took, 0.5).toFixed(1),
      'a page, longest ms': Math.max(...took).toFixed(1),
    });
  });
});
