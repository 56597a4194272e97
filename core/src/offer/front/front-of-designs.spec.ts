import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../base/index.js';
import { builtInCatalogue } from '../../equipment/index.js';
import {
  demoPlans,
  islandOf,
  islandPlan,
  islandsOf,
  isolateMains,
  laneOfCircuits,
} from '../../design/index.js';
import { isValid } from '../../design/testing/is-valid.js';
import { demandContextOf, evaluatePlan } from '../../study/index.js';
import { comfortAtMost, comfortServed, KeptYear, yearObjectives } from '../../study/details.js';
import { designVariants } from './design-variants.js';
import { frontByBounds, type FrontPoint, type Objectives } from './front-by-bounds.js';
import { type StackCandidate, stackCandidates } from './stack-candidates.js';

const { plan: farm } = demoPlans[0]!;
const island = islandOf(farm, 'farm')!;
const variants = designVariants(farm, island);
const kept = new KeptYear(farm.outage.seed);
const required = 28;

interface Played extends StackCandidate {
  readonly variant: number;
  readonly value: Objectives;
  readonly comfort: Objectives;
  readonly comfortMost: Objectives;
}

/** Variants of every kind: as it is, shedding, generators, more sun, and some of these together. */
const tried = [
  '',
  'whole',
  'shed-4',
  'generator-hand',
  'generator-auto',
  'array-barn-south',
  'shed-4+generator-hand+array-barn-south',
];

/** Every stack of three families, one of them lead-acid, on each of these variants, simulated once. */
const played: Played[] = tried.flatMap((key) => {
  const variant = variants.findIndex((one) => one.key === key);
  const { plan } = variants[variant]!;
  const { candidates } = stackCandidates(plan, evaluatePlan(plan, builtInCatalogue, 'farm'), null, key);
  const chemistries = new Map<string, StackCandidate[]>();
  for (const one of candidates) chemistries.set(one.family, [...(chemistries.get(one.family) ?? []), one]);
  const long = [...chemistries.values()].filter((family) => family.length >= 3);
  const lead = long.filter(([first]) => first!.stack.chemistry === 'lead-acid').slice(0, 1);
  const others = long.filter(([first]) => first!.stack.chemistry !== 'lead-acid').slice(0, 2);
  return [...lead, ...others]
    .flatMap((family) => family.slice(0, 6))
    .map((one): Played => {
      const study = { plan, islandId: 'farm', parts: one.stack.parts, weather: null };
      return {
        ...one,
        variant,
        value: yearObjectives(study, builtInCatalogue, kept)!,
        comfort: [comfortServed(study, builtInCatalogue, kept)!],
        comfortMost: [comfortAtMost(study, builtInCatalogue, kept)!(one.batteryWh)],
      };
    });
});

describe('the variants of a design', () => {
  it('are all combinations, the design as it is first', () => {
    expect(variants[0]).toMatchObject({ key: '', changes: [] });
    expect(new Set(variants.map(({ key }) => key)).size).toBe(variants.length);
    for (const key of tried) expect(variants.some((one) => one.key === key)).toBe(true);
  });

  it('leave out what the brief does not want, and what the house has', () => {
    const keysOf = (plan: typeof farm) =>
      designVariants(plan, island)
        .map(({ key }) => key)
        .join(' ');
    expect(keysOf({ ...farm, brief: { ...farm.brief, noGenerator: true } })).not.toContain('generator-');
    const { generator } = variants.find(({ key }) => key === 'generator-auto')!.plan.sources;
    const there = { ...farm, sources: { ...farm.sources, generator: { ...generator!, existing: true } } };
    expect(keysOf(there)).not.toContain('generator');
    expect(keysOf({ ...farm, brief: { ...farm.brief, plannedAdditions: [] } })).not.toContain('array');
  });
});

describe('the other way to transfer a service', () => {
  const whole = variants.find(({ key }) => key === 'whole')!.plan;
  const laneCounts = (plan: typeof farm) => {
    const laneOf = laneOfCircuits(plan);
    const lanes = plan.survey.panels
      .flatMap(({ circuits }) => circuits)
      .filter(({ use }) => use === 'circuit')
      .map(({ id }) => laneOf(id).lane);
    return Object.fromEntries(
      ['on', 'auto', 'dark'].map((lane) => [lane, lanes.filter((one) => one === lane).length]),
    );
  };

  it('sheds for the whole outage what a loads panel leaves behind, and back again carries the same', () => {
    expect(isValid(whole)).toBe(true);
    expect(laneCounts(farm)['auto']).toBe(0);
    expect(laneCounts(whole)['auto']).toBeGreaterThan(3);
    const powered = (plan: typeof farm) =>
      demandContextOf(islandPlan(plan, islandOf(plan, 'farm')!))
        .powerSet.map(({ id }) => id)
        .toSorted();
    // What is shed for the outage asks no power: the same loads count on either wiring.
    expect(powered(whole)).toEqual(powered(farm));
    const back = designVariants(whole, islandOf(whole, 'farm')!).find(({ key }) => key === 'loads-panel')!;
    expect(isValid(back.plan)).toBe(true);
    expect(laneCounts(back.plan)).toEqual(laneCounts(farm));
    expect(powered(back.plan)).toEqual(powered(farm));
  });

  it('is offered for one service that is cut off as a whole, and not where mains have islands of their own', () => {
    const mains = isolateMains(farm, 'farm', ['cellar']);
    const keys = designVariants(mains, islandsOf(mains)[0]!).map(({ key }) => key);
    expect(keys.some((key) => key.startsWith('whole'))).toBe(false);
  });
});

describe('the search', () => {
  it('has lead-acid, shedding, generators and sun in it', () => {
    expect(played.some(({ stack }) => stack.chemistry === 'lead-acid')).toBe(true);
    expect(new Set(played.map(({ variant }) => variant)).size).toBe(tried.length);
    expect(played.length).toBeGreaterThan(60);
  });

  it('rests on this: within a family more battery is never worse', () => {
    for (const one of played)
      for (const other of played) {
        if (one.family !== other.family || one.batteryWh > other.batteryWh) continue;
        for (const j of [0, 1])
          expect(other.value[j]!, `${other.stack.name}, ${other.family}`).toBeGreaterThanOrEqual(
            one.value[j]! - 1e-9,
          );
      }
  });

  it('and on this: no design serves more comfort than its bound', () => {
    for (const { stack, variant, comfort, comfortMost } of played)
      expect(comfort[0]!, `${stack.name}, ${tried[variant]}`).toBeLessThanOrEqual(comfortMost[0]! + 1e-9);
    // With a tenth of a kilowatt-hour and no generator only the sun is left.
    const study = { plan: farm, islandId: 'farm', parts: played[0]!.stack.parts, weather: null };
    const dark = { ...study, plan: { ...farm, sources: { ...farm.sources, arrays: [] } } };
    const most = (of: typeof study, wh: number): number => comfortAtMost(of, builtInCatalogue, kept)!(wh);
    expect(most(dark, 100)).toBeLessThan(most(study, 100));
    expect(most(dark, 0)).toBe(0);
    expect(most(dark, 5000)).toBeLessThan(most(dark, 50_000));
  });

  it('finds the fronts of brute force over every candidate, on 50 lists of other units at other prices', async () => {
    const random = seededRandom(11);
    for (let list = 0; list < 50; list += 1) {
      // Each list sells some of the units, in its own prices; a few cost the same.
      const perKWh = new Map<string, number>();
      const candidates = played
        .filter(() => random() < 0.6)
        .map((one) => {
          const rate = perKWh.get(one.family) ?? 300 + 500 * random();
          perKWh.set(one.family, rate);
          const cost = Math.round((4000 * random() + (rate * one.batteryWh) / 1000) / 50) * 50;
          return { ...one, cost, guess: one.guess * (0.5 + random()) };
        });
      const { fronts } = await frontByBounds(candidates, {
        play: ({ value }) => Promise.resolve(value),
        best: [Math.max(72, required * 1.5), 1],
        atOnce: 2,
      });
      for (const j of [0, 1])
        expect(points(fronts[j]!, j)).toEqual(byDefinition(candidates, ({ value }) => value[j]!));
      const { fronts: ofComfort } = await frontByBounds(candidates, {
        play: ({ comfort }) => Promise.resolve(comfort),
        best: [1],
        atMost: ({ comfortMost }) => comfortMost,
        eachAlone: true,
        atOnce: 2,
      });
      expect(points(ofComfort[0]!, 0)).toEqual(byDefinition(candidates, ({ comfort }) => comfort[0]!));
    }
  });
});

const points = (front: readonly FrontPoint<Played>[], j: number): Set<string> =>
  new Set(front.map(({ candidate, value }) => `${candidate.cost} ${value[j]!}`));

/** Nothing that costs no more does as well, but its equals. */
function byDefinition(candidates: readonly Played[], valueOf: (one: Played) => number): Set<string> {
  const beats = (other: Played, one: Played): boolean =>
    other.cost <= one.cost &&
    valueOf(other) >= valueOf(one) &&
    (other.cost < one.cost || valueOf(other) > valueOf(one));
  return new Set(
    candidates
      .filter((one) => !candidates.some((other) => beats(other, one)))
      .map((one) => `${one.cost} ${valueOf(one)}`),
  );
}
