import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { emptyScenario, emptySources, islandsOf } from '../design/index.js';
import { builtInCatalogue } from '../equipment/index.js';
import { evaluatePlan } from '../study/index.js';
import { demoJobs } from './demo-jobs.js';
import { jobVersion, type Job } from './job.schema.js';
import { migrateJob } from './migrate-job.js';
import { planOf } from './plan-of.js';
import { readJob } from './read-job.js';

interface Saved extends Record<string, unknown> {
  readonly version: number;
  readonly name: string;
  readonly loads: readonly Record<string, unknown>[];
  readonly brief: Record<string, unknown>;
  readonly outage: Record<string, unknown>;
}

const folder = new URL('./testing/golden/', import.meta.url);
/**
 * The jobs of the demo exactly as the programs wrote them that were released: those before and after each change of version,
 * and of version 4, which changed while it was in use, its first, a later and its last form. These files never change.
 */
const goldenNames = readdirSync(folder).map((file) => file.replace('.json', ''));
const golden = (name: string): Saved =>
  JSON.parse(readFileSync(new URL(`${name}.json`, folder), 'utf8')) as Saved;
const read = (saved: unknown): Job => {
  const result = readJob(saved);
  if (!result.ok) throw new Error(JSON.stringify(result.problems[0]));
  return result.job;
};
const earlier = Array.from({ length: jobVersion - 1 }, (_, index) => index + 1);

it('there is a golden file of every earlier version', () => {
  expect([...new Set(goldenNames.map((name) => golden(name).version))].toSorted((a, b) => a - b)).toEqual(
    earlier,
  );
});

describe.each(goldenNames)('%s as it was written', (name) => {
  it('says its version, and is read as the present one', () => {
    const saved = golden(name);
    const job = read(saved);
    expect(job.version).toBe(jobVersion);
    expect(job.name).toBe(saved.name);
  });

  it('keeps every load and what was said of it', () => {
    const saved = golden(name);
    const job = read(saved);
    expect(job.loads.map(({ id }) => id)).toEqual(saved.loads.map(({ id }) => id));
    for (const [index, load] of saved.loads.entries()) {
      const { legs: _legs, legsAssumed: _assumed, inBackupSet: _set, ...said } = load;
      // Legs and backup set follow circuits and lanes once there are some.
      expect(job.loads[index]).toMatchObject(said);
    }
    expect(job.brief).toMatchObject(saved.brief);
  });

  it('read, written and read again is the same', () => {
    const job = read(golden(name));
    expect(read(JSON.parse(JSON.stringify(job)))).toEqual(job);
  });

  it('can be worked on: it has margins with figures', () => {
    const { margins } = evaluatePlan(planOf(read(golden(name))), builtInCatalogue);
    expect(margins.length).toBeGreaterThan(4);
    for (const { demand, limit } of margins) expect(Number.isFinite(demand.value + limit.value)).toBe(true);
  });

  it('is read, or refused in words, where something in it has not even a text', () => {
    const odd = { toString: 0 };
    const saved = golden(name);
    for (const broken of [
      { ...saved, supply: { system: odd } },
      { ...saved, survey: { services: [{ id: odd }], panels: [{ circuits: [{ id: odd }] }] } },
      {
        ...saved,
        outage: { arrays: [{ legs: odd }] },
        backup: { services: [{ serviceId: odd, joinedTo: odd }] },
      },
      { ...saved, loads: [odd], design: odd },
    ])
      expect(() => readJob(broken)).not.toThrow();
  });

  it('is not changed by being read', () => {
    const saved = golden(name);
    const before = structuredClone(saved);
    read(saved);
    expect(saved).toEqual(before);
  });
});

describe('the early version 4', () => {
  it('lacked the weather of the brief, which is now not said', () => {
    const saved = golden('job-v4-first');
    expect(saved.brief).not.toHaveProperty('outageWeather');
    expect(read(saved).brief.outageWeather).toBeNull();
  });

  it('may have left its arrays behind when the supply was changed, which is put right', () => {
    const saved = golden('job-v4-last');
    const loads = saved.loads.map((load) => ({ ...load, legs: 'L1' }));
    const changed = { ...saved, supply: { ...(saved['supply'] as object), system: 'single-230' }, loads };
    expect(new Set(planOf(read(changed)).sources.arrays.map(({ legs }) => legs))).toEqual(new Set(['L1']));
  });
});

describe('version 2', () => {
  it('had no lanes: they follow from its loads, feeders included', () => {
    const kept = (of: Job) => new Set(planOf(of).backup.lanes.map(({ circuitId }) => circuitId));
    expect(kept(read(golden('job-v2')))).toEqual(kept(demoJobs[0]!.job));
    expect(planOf(read(golden('job-v2'))).backup.services).toEqual([]);
  });
});

describe('version 3', () => {
  it('had no sources and no outage', () => {
    const { sources, outage } = planOf(read(golden('job-v3')));
    expect([sources, outage]).toEqual([emptySources(), emptyScenario()]);
  });
});

describe('version 5', () => {
  it.each([
    ['job-v5', 'job-v6'],
    ['job-v5-three-phase', 'job-v6-three-phase'],
  ])('%s is what %s was', (then, next) => {
    const { sources, ...rest } = planOf(read(golden(then)));
    const { costs: _costs, ...others } = sources;
    expect(planOf(read(golden(next)))).toMatchObject({ ...rest, sources: others });
  });

  it('had costs without an identifier or a currency', () => {
    expect(planOf(read(golden('job-v5'))).sources.costs).toContainEqual({
      id: 'cost-3',
      change: 'generator.auto',
      cost: { amount: '11400', currency: null },
    });
  });

  it('named islands by their first service, and had its stack apart from the others', () => {
    const saved = golden('job-v5');
    const survey = saved['survey'] as { services: Record<string, unknown>[] };
    const backup = saved['backup'] as { services: Record<string, unknown>[] };
    const second = { ...survey.services[0], id: 'second', name: 'Second' };
    const said = (joinedTo: string | null, school = 'split') => ({
      ...backup.services[0],
      serviceId: 'second',
      school,
      joinedTo,
    });
    const chosen = [{ unitId: 'woad-93', quantity: 1 }];
    const two = (one: Record<string, unknown>) =>
      planOf(
        read({
          ...saved,
          survey: { ...survey, services: [...survey.services, second] },
          backup: { ...backup, services: [...backup.services, one] },
          design: { ...(saved['design'] as object), others: [{ serviceId: 'second', chosen }] },
        }),
      );
    const apart = two(said(null));
    expect(islandsOf(apart).map(({ id }) => id)).toEqual(['farm', 'second']);
    expect(apart.equipment.stacks.map(({ islandId }) => islandId)).toEqual(['farm', 'second']);
    const joined = two(said('farm'));
    expect(islandsOf(joined).map(({ services }) => services.map(({ id }) => id))).toEqual([
      ['farm', 'second'],
    ]);
    expect(joined.equipment.stacks.map(({ islandId }) => islandId)).toEqual(['farm']);
    const spliced = two({ ...said(null, 'feeder'), feederPanelId: 'barn' });
    expect(spliced.backup.services[1]!.isolation).toEqual({ at: 'feeder', panelId: 'barn' });
  });
});

describe('the present version', () => {
  it('leaves the demo jobs as they are', () => {
    for (const { job } of demoJobs) expect(read(job)).toEqual(job);
  });
});

describe('version 6', () => {
  it('told outages by the clock of the house', () => {
    const { usage } = planOf(read(golden('job-v6')));
    // Halifax is four hours behind in winter and three in summer (IANA time zone database).
    expect(usage.outages[0]!.start).toBe('2022-12-24T01:40:00Z');
    expect(usage.outages.find(({ id }) => id === 'outage-4')!.start).toBe('2023-07-18T19:30:00Z');
    expect(usage.measurement).toBeNull();
  });

  it('is read where nobody named the zone, or one that is none', () => {
    const saved = golden('job-v6');
    const inZone = (timeZone: unknown) =>
      migrateJob({ ...saved, site: { ...(saved['site'] as object), timeZone } }, 6)['usage'];
    for (const none of [null, 'Nowhere/None', 7]) {
      expect(inZone(none)).toMatchObject({
        outages: expect.arrayContaining([expect.objectContaining({ start: '2022-12-23T21:40:00Z' })]),
      });
    }
  });
});

describe('version 12', () => {
  const saved = golden('job-v12');
  interface SavedService extends Record<string, unknown> {
    readonly id: string;
  }
  const survey = saved['survey'] as { readonly services: readonly SavedService[] };
  const withBands = (bands: readonly object[], name = 'Sheet 7') =>
    read({
      ...saved,
      survey: {
        ...survey,
        services: survey.services.map((service) => ({ ...service, tariff: name, tariffBands: bands })),
      },
    });
  const band = (id: string, more: object) => ({
    id,
    name: id,
    fromH: 0,
    toH: 0,
    days: 'all',
    season: 'all',
    perKWh: { amount: '0.21', currency: 'CAD' },
    ...more,
  });

  it('had the name of a tariff, which is one without prices now', () => {
    const { tariffs, survey: now } = withBands([]);
    expect(tariffs.map(({ name, bands }) => [name, bands.length])).toEqual([['Sheet 7', 1]]);
    expect(now.services.map(({ tariffId }) => tariffId)).toEqual([tariffs[0]!.id]);
    expect(withBands([], '').tariffs).toEqual([]);
  });

  it('had bands by hour, which are windows of a tariff now', () => {
    const { tariffs } = withBands([
      band('night', { fromH: 22, toH: 6, perKWh: { amount: '0.11', currency: 'CAD' } }),
      band('dear', { fromH: 17, toH: 21, days: 'workdays', season: 'winter' }),
    ]);
    const [tariff] = tariffs;
    expect(tariff).toMatchObject({
      currency: 'CAD',
      seasons: [{ id: 'winter' }, { id: 'summer' }],
      windows: [
        { fromMin: 1320, toMin: 360, days: 'all', seasonIds: [] },
        { fromMin: 1020, toMin: 1260, days: 'workdays', seasonIds: ['winter'] },
      ],
    });
    expect(
      tariff!.bands.map(({ name, prices }) => [name, ...prices.map(({ importPerKWh }) => importPerKWh)]),
    ).toEqual([
      ['Other hours', null, null],
      ['night', '0.11', '0.11'],
      ['dear', '0.21', null],
    ]);
  });

  it('counted its arrays and generators as there', () => {
    const { designs } = read(saved);
    for (const { sources } of designs)
      for (const source of [...sources.arrays, ...(sources.generator ? [sources.generator] : [])])
        expect(source.existing).toBe(true);
  });
});
