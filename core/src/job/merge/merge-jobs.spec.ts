import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoJobs } from '../demo-jobs.js';
import { dailyEnergyWh, unexplainedWh } from '../../house/index.js';
import { restLoad } from '../../house/details.js';
import type { Job } from '../job.schema.js';
import { keptLoads, settleBackup, settlePlan } from '../../design/index.js';
import { changePlan, planOf } from '../plan-of.js';
import { readJob } from '../read-job.js';
import { sameValue } from '../../base/index.js';
import { mergeJobs } from './merge-jobs.js';
import { mergeOrder } from './merge-order.js';
import { runs } from '../../base/testing/runs.js';

const base = readOf(demoJobs[0]!.job);
const panel = base.survey.panels[0]!;

function readOf(document: unknown): Job {
  const read = readJob(document);
  if (!read.ok) throw new Error(read.problems[0]!.message);
  return read.job;
}
/** As an edit leaves it: nothing is said about loads that are gone. */
const withLoads = (job: Job, loads: Job['loads']): Job => changePlan({ ...job, loads }, settlePlan);
const changeLoad = (job: Job, index: number, change: Partial<Job['loads'][number]>): Job =>
  withLoads(
    job,
    job.loads.map((load) => (load.id === base.loads[index]!.id ? { ...load, ...change } : load)),
  );
const addLoad = (job: Job, id: string, change: Partial<Job['loads'][number]> = {}): Job =>
  withLoads(job, [...job.loads, { ...base.loads[0]!, id, name: `Load ${id}`, circuitId: null, ...change }]);
const withCircuits = (
  job: Job,
  change: (
    circuits: Job['survey']['panels'][number]['circuits'],
  ) => Job['survey']['panels'][number]['circuits'],
): Job =>
  changePlan(
    {
      ...job,
      survey: {
        ...job.survey,
        panels: job.survey.panels.map((one) =>
          one.id === panel.id ? { ...one, circuits: change(one.circuits) } : one,
        ),
      },
    },
    settleBackup,
  );

/** Edits by what they touch, so that two lists of them can be made disjoint. */
const edits: readonly { readonly touches: string; readonly make: (job: Job, value: number) => Job }[] = [
  { touches: 'name', make: (job, value) => ({ ...job, name: `House ${value}` }) },
  { touches: 'notes', make: (job, value) => ({ ...job, brief: { ...job.brief, notes: `Note ${value}` } }) },
  {
    touches: 'runtime',
    make: (job, value) => ({ ...job, brief: { ...job.brief, requiredRuntimeH: 5 + (value % 90) } }),
  },
  { touches: 'place', make: (job, value) => ({ ...job, site: { ...job.site, place: `Place ${value}` } }) },
  { touches: 'seed', make: (job, value) => ({ ...job, outage: { ...job.outage, seed: 1 + (value % 999) } }) },
  ...base.loads.slice(0, 8).flatMap((load, index) => [
    {
      touches: `power of ${load.id}`,
      make: (job: Job, value: number) => changeLoad(job, index, { runningPowerW: 50 + (value % 900) }),
    },
    {
      touches: `name of ${load.id}`,
      make: (job: Job, value: number) => changeLoad(job, index, { name: `Load ${value}` }),
    },
  ]),
  ...[0, 1, 2].map((number) => ({
    touches: `new load ${number}`,
    make: (job: Job, value: number) => addLoad(job, `new-${number}`, { runningPowerW: 100 + (value % 400) }),
  })),
  ...base.loads.slice(-3).map((load) => ({
    touches: `all of ${load.id}`,
    make: (job: Job) =>
      withLoads(
        job,
        job.loads.filter(({ id }) => id !== load.id),
      ),
  })),
];
const applied = (chosen: readonly (readonly [number, number])[]): Job =>
  chosen.reduce((job, [edit, value]) => edits[edit]!.make(job, value), base);
const someEdits = fc.uniqueArray(fc.tuple(fc.nat(edits.length - 1), fc.nat(10_000)), {
  selector: ([edit]) => edit,
  maxLength: 8,
});

describe('merging', () => {
  it('of disjoint edits asks nothing, gives both, and does not depend on who merges', () => {
    fc.assert(
      fc.property(someEdits, fc.nat(8), (all, cut) => {
        const [mine, theirs] = [applied(all.slice(0, cut)), applied(all.slice(cut))];
        const merged = mergeJobs(base, mine, theirs);
        expect(merged.questions).toEqual([]);
        expect(sameValue(merged.job, mergeJobs(base, theirs, mine).job)).toBe(true);
        const both = applied(all);
        expect(sameValue(sorted(merged.job), sorted(both))).toBe(true);
      }),
      runs(60),
    );
  }, 1_800_000);

  it('with the base changes nothing, and with oneself neither', () => {
    fc.assert(
      fc.property(someEdits, (all) => {
        const edited = applied(all);
        expect(mergeJobs(base, edited, base)).toMatchObject({ questions: [], job: edited, taken: [] });
        expect(sameValue(mergeJobs(base, base, edited).job, edited)).toBe(true);
        expect(mergeJobs(base, edited, structuredClone(edited))).toMatchObject({ questions: [], taken: [] });
      }),
      runs(40),
    );
  }, 1_800_000);

  it('of any edits gives a valid job; what a side added is there, or is asked about', () => {
    fc.assert(
      fc.property(someEdits, someEdits, fc.constantFrom('mine' as const, 'theirs' as const), (a, b, side) => {
        const [mine, theirs] = [applied(a), applied(b)];
        const first = mergeJobs(base, mine, theirs);
        const merged = mergeJobs(base, mine, theirs, new Map(first.questions.map(({ key }) => [key, side])));
        expect(readJob(merged.job).ok).toBe(true);
        const asked = first.questions.map(({ key }) => key).join(' ');
        for (const { id } of [...mine.loads, ...theirs.loads].filter((load) => load.id.startsWith('new-'))) {
          expect(merged.job.loads.some((load) => load.id === id) || asked.includes(id)).toBe(true);
        }
        // Fields I did not touch are never reverted to what they were.
        for (const question of first.questions) expect(question.mine).not.toEqual(question.theirs);
      }),
      runs(60),
    );
  }, 1_800_000);

  it('asks only about the field both changed, and takes the answer', () => {
    const mine = changeLoad({ ...base, name: 'Mine' }, 0, { runningPowerW: 111 });
    const theirs = changeLoad(changeLoad(base, 0, { runningPowerW: 222 }), 1, { runningPowerW: 333 });
    const { questions } = mergeJobs(base, mine, theirs);
    expect(questions).toMatchObject([{ mine: 111, theirs: 222, why: '' }]);
    expect(questions[0]!.label).toBe(`loads › ${base.loads[0]!.name} › running power`);
    for (const [side, watts] of [
      ['mine', 111],
      ['theirs', 222],
    ] as const) {
      const { job } = mergeJobs(base, mine, theirs, new Map([[questions[0]!.key, side]]));
      expect([job.name, job.loads[0]!.runningPowerW, job.loads[1]!.runningPowerW]).toEqual([
        'Mine',
        watts,
        333,
      ]);
    }
  });

  it('asks about what one side removed and the other changed', () => {
    const gone = withLoads(base, base.loads.slice(1));
    const changed = changeLoad(base, 0, { runningPowerW: 77 });
    const [question] = mergeJobs(base, gone, changed).questions;
    expect([question!.mine, (question!.theirs as { runningPowerW: number }).runningPowerW]).toEqual([
      undefined,
      77,
    ]);
    const kept = mergeJobs(base, gone, changed, new Map([[question!.key, 'theirs' as const]])).job;
    expect(kept.loads[0]).toMatchObject({ id: base.loads[0]!.id, runningPowerW: 77 });
    // It comes back as it stood.
    expect(keptLoads(planOf(kept)).has(base.loads[0]!.id)).toBe(true);
    expect(
      mergeJobs(base, gone, changed, new Map([[question!.key, 'mine' as const]])).job.loads,
    ).toHaveLength(base.loads.length - 1);
  });

  it('takes a measurement, a start or a source as a whole', () => {
    const mine = changeLoad(base, 0, { start: { how: 'multiple', multiple: 3, durationS: 1 } });
    const theirs = changeLoad(base, 0, { start: { how: 'soft', multiple: 2, durationS: 4 } });
    const { job, questions } = mergeJobs(base, mine, theirs);
    expect(questions).toHaveLength(1);
    expect(job.loads[0]!.start).toEqual({ how: 'soft', multiple: 2, durationS: 4 });
  });
});

describe('changes that do not fit together', () => {
  /** A circuit that feeds no other panel. */
  const circuit = panel.circuits.find(({ id }) =>
    base.survey.panels.every(({ fedFrom }) => fedFrom.kind !== 'circuit' || fedFrom.circuitId !== id),
  )!;
  const freeOf = (job: Job): Job =>
    withLoads(
      job,
      job.loads.map((load) => (load.circuitId === circuit.id ? { ...load, circuitId: null } : load)),
    );
  const start = freeOf(base);
  const without = withCircuits(
    { ...start, survey: { ...start.survey, monitorCircuitId: null } },
    (circuits) => circuits.filter(({ id }) => id !== circuit.id),
  );

  it('a load on a circuit the other side removed is asked about; either answer gives a valid job', () => {
    const from = { ...start, survey: { ...start.survey, monitorCircuitId: null } };
    const mine = addLoad(from, 'new-1', { circuitId: circuit.id, legs: 'L1' });
    const { job, questions } = mergeJobs(from, mine, without);
    expect(questions).toMatchObject([
      { why: 'No panel has this circuit; use null for a load that is not placed' },
    ]);
    expect([questions[0]!.mine, questions[0]!.theirs]).toEqual([
      'Load new-1 added',
      `${circuit.name} removed`,
    ]);
    expect(readJob(job).ok).toBe(true);
    expect(job.loads.some(({ id }) => id === 'new-1')).toBe(false);
    const answered = mergeJobs(from, mine, without, new Map([[questions[0]!.key, 'mine' as const]]));
    expect(readJob(answered.job).ok).toBe(true);
    expect(answered.job.loads.find(({ id }) => id === 'new-1')?.circuitId).toBe(circuit.id);
    expect(answered.job.survey.panels[0]!.circuits.some(({ id }) => id === circuit.id)).toBe(true);
  });

  it('two breakers in one space are asked about', () => {
    const free = panel.spaces;
    const breaker = (id: string, name: string) => ({
      ...circuit,
      id,
      name,
      spaces: [free],
      half: null,
    });
    const empty = withCircuits(base, (circuits) => circuits.filter(({ spaces }) => !spaces.includes(free)));
    const unloaded = freeOf(
      withLoads(
        empty,
        empty.loads.map((load) => ({ ...load, circuitId: null })),
      ),
    );
    const from = { ...unloaded, survey: { ...unloaded.survey, monitorCircuitId: null } };
    const mine = withCircuits(from, (circuits) => [...circuits, breaker('mine', 'Sauna')]);
    const theirs = withCircuits(from, (circuits) => [...circuits, breaker('theirs', 'Workshop')]);
    const { job, questions } = mergeJobs(from, mine, theirs);
    expect(questions).toHaveLength(1);
    expect(questions[0]!.why).toContain(`would both take space ${free}`);
    expect(job.survey.panels[0]!.circuits.map(({ id }) => id)).toContain('theirs');
    const answered = mergeJobs(from, mine, theirs, new Map([[questions[0]!.key, 'mine' as const]])).job;
    const ids = answered.survey.panels[0]!.circuits.map(({ id }) => id);
    expect([ids.includes('mine'), ids.includes('theirs')]).toEqual([true, false]);
  });
});

describe('the rest of the house, by its bills', () => {
  it('is asked of nobody where both list loads: it is what both leave over', () => {
    const bills = [
      { id: 'b', fromDay: '2025-01-01', toDay: '2025-02-01', energyWh: 3_100_000, exportWh: null },
    ];
    const billed = { ...base, usage: { ...base.usage, bills } };
    const rest = restLoad('rest', planOf(billed));
    const before = withLoads(billed, [...billed.loads, rest]);
    const mine = addLoad(before, 'mine', { runningPowerW: 700 });
    const theirs = addLoad(before, 'theirs', { runningPowerW: 900 });
    const { job, questions } = mergeJobs(before, mine, theirs);
    expect(questions).toEqual([]);
    expect(unexplainedWh(planOf(job))!.winter).toBeGreaterThan(0);
    const all = job.loads.reduce((sum, load) => sum + dailyEnergyWh(load, 'winter'), 0);
    expect(all).toBeCloseTo(100_000, 3);
  });
});

describe('the order of a merged list', () => {
  const all = new Set(['a', 'b', 'c', 'x', 'y']);
  it.each([
    ['nothing moved', ['a', 'b', 'c'], ['a', 'b', 'c'], ['a', 'b', 'c'], ['a', 'b', 'c']],
    ['mine moved', ['a', 'b', 'c'], ['c', 'a', 'b'], ['a', 'b', 'c'], ['c', 'a', 'b']],
    ['theirs moved', ['a', 'b', 'c'], ['a', 'b', 'c'], ['b', 'c', 'a'], ['b', 'c', 'a']],
    ['both added behind one', ['a', 'b'], ['a', 'x', 'b'], ['a', 'y', 'b'], ['a', 'x', 'y', 'b']],
    [
      'both added behind one, the other way round',
      ['a', 'b'],
      ['a', 'y', 'b'],
      ['a', 'x', 'b'],
      ['a', 'x', 'y', 'b'],
    ],
    ['added in front', ['a'], ['x', 'a'], ['a', 'y'], ['x', 'a', 'y']],
  ])('%s', (_, base, mine, theirs, wanted) => {
    expect(mergeOrder(base, mine, theirs, all)).toEqual(wanted);
  });
});

/** Lists of loads in an order of their own: where both add, that is no difference. */
function sorted(job: Job): Job {
  return withLoads(
    job,
    job.loads.toSorted((a, b) => (a.id < b.id ? -1 : 1)),
  );
}
