import { describe, expect, it } from 'vitest';
import { builtInCatalogue } from '../catalogue/built-in-catalogue.js';
import { demoJobs } from '../demo/demo-jobs.js';
import type { Job } from '../job/job.schema.js';
import { readJob } from '../job/read-job.js';
import { evaluateJob } from '../sizing/evaluate-job.js';
import { aHouse } from '../testing/house.js';
import { aLoad, allSeasons, aroundTheClock } from '../testing/samples.js';
import { substitutesFor, withSubstitute } from './substitutes.js';
import { substituteOutcomes } from './substitute-outcomes.js';
import { waysToMend } from './ways-to-mend.js';

const farm = demoJobs[0]!.job;
const mend = (job: Job) => {
  const { island, selected } = evaluateJob(job, builtInCatalogue);
  return waysToMend(job, builtInCatalogue, island!, selected!);
};

describe('what breaks first, and the ways out', () => {
  // As a new user would: the demo's survey, 24 h asked for, what breaks first, three ways to fix it.
  const job = { ...farm, brief: { ...farm.brief, requiredRuntimeH: 24 } };
  const mending = mend(job)!;

  it('is the start of the well pump, and shed, soft start and larger stack each mend it', () => {
    expect(mending.breaks).toBe('starting');
    expect(mending.present.fails.map(({ key }) => key)).toEqual(['starting']);
    expect(new Set(mending.ways.map(({ kind }) => kind))).toEqual(new Set(['shed', 'substitute', 'stack']));
    for (const way of mending.ways) expect(way.outcome.fails, way.title).toEqual([]);
  });

  it('gives jobs that hold when they are taken, with the figures that were shown', () => {
    for (const way of mending.ways) {
      expect(readJob(way.job).ok, way.title).toBe(true);
      const taken = evaluateJob(way.job, builtInCatalogue);
      expect(taken.selected!.lacks, way.title).toEqual([]);
      const starting = taken.margins.find(({ key }) => key === 'starting')!;
      expect(starting.ratio).toBeCloseTo(way.outcome.startRatio, 9);
    }
  });

  it('offers fewer hours where hours are short', () => {
    const long = mend({ ...farm, brief: { ...farm.brief, requiredRuntimeH: 60 } })!;
    expect(long.breaks).toBe('runtime');
    const shorter = long.ways.find(({ kind }) => kind === 'shorter')!;
    expect(shorter.outcome.fails.map(({ key }) => key)).not.toContain('runtime');
    const dropped = long.ways.find(({ kind }) => kind === 'shed')!;
    expect(dropped.outcome.runtimeH).toBeGreaterThan(long.present.runtimeH);
  });

  it('says nothing where everything holds', () => {
    expect(mend(demoJobs[1]!.job)).toBeNull();
  });
});

describe('substitutes', () => {
  const always = allSeasons(aroundTheClock);
  const central = aLoad({
    id: 'central',
    name: 'Central air conditioning',
    kind: 'cooling',
    legs: 'L1-L2',
    runningPowerW: 3200,
    start: { how: 'lockedRotor', lockedRotorA: 88, durationS: 0.4 },
    use: always,
  });
  const tank = aLoad({
    id: 'tank',
    name: 'Tank',
    kind: 'water-heater',
    legs: 'L1-L2',
    runningPowerW: 4500,
    use: always,
  });

  it('are those common practice knows', () => {
    const keys = (load: typeof central) =>
      substitutesFor('split-120-240', [load]).map(({ key }) => key.split('.')[0]);
    expect(keys(central)).toEqual(['soft-starter', 'fan-at-night', 'room-unit']);
    expect(keys(tank)).toEqual(['heat-pump-water-heater']);
    expect(keys(aLoad({ kind: 'lighting', runningPowerW: 60 }))).toEqual([]);
    // What is dark does not need a soft starter.
    expect(keys({ ...central, inBackupSet: false })).toEqual(['fan-at-night', 'room-unit']);
  });

  it('cost less than what they replace', () => {
    const job = aHouse({ s: [{ loads: [central] }, { loads: [tank] }] });
    const summer: Job = {
      ...job,
      brief: { ...job.brief, designSeason: 'summer' },
      design: { chosen: [{ unitId: 'yarrow-79', quantity: 2 }], others: [] },
    };
    const { island, selected, context } = evaluateJob(summer, builtInCatalogue);
    const dayWh = context.hourlyWh.reduce((sum, wh) => sum + wh, 0);
    for (const { substitute, outcome } of substituteOutcomes(summer, island!, selected!.stack)) {
      if (substitute.key.startsWith('soft')) expect(outcome.energyWhPerDay).toBeCloseTo(dayWh, 6);
      else expect(outcome.energyWhPerDay, substitute.title).toBeLessThan(dayWh);
      const taken = { ...summer, loads: withSubstitute(summer.loads, substitute) };
      expect(readJob(taken).ok, substitute.title).toBe(true);
    }
  });
});
