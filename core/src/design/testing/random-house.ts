import * as fc from 'fast-check';
import { loadFromLibrary, loadLibrary, starterSets } from '../../house/details.js';
import { addLoads } from '../backup/kept-loads.js';
import { emptyPlan } from '../plan/empty-plan.js';
import type { Plan } from '../plan/plan.js';
import { settlePlan } from '../plan/settle-plan.js';
import { usualArray } from '../sources/usual-sources.js';

/** A house as somebody would enter it: a typical one with some loads gone, others drawing more or less, and a brief. */
export const randomHouse: fc.Arbitrary<Plan> = fc
  .record({
    system: fc.constantFrom('split-120-240' as const, 'single-230' as const, 'three-230-400' as const),
    set: fc.constantFrom(...starterSets),
    /** One for each load: whether it is there, and what it draws. */
    draws: fc.array(fc.integer({ min: 50, max: 140 }), { minLength: 60, maxLength: 60 }),
    requiredRuntimeH: fc.constantFrom(8, 12, 24, 36),
    designSeason: fc.constantFrom('winter' as const, 'shoulder' as const, 'summer' as const),
    outageWeather: fc.constantFrom('no-sun' as const, 'hard' as const, 'usual' as const),
    handsOn: fc.boolean(),
    sun: fc.boolean(),
    latitudeDeg: fc.integer({ min: 30, max: 56 }),
    longitudeDeg: fc.integer({ min: -100, max: 20 }),
    seed: fc.integer({ min: 1, max: 900 }),
  })
  .map(({ system, set, draws, sun, latitudeDeg, longitudeDeg, seed, ...brief }): Plan => {
    const blank = emptyPlan(system);
    const typical = loadLibrary.filter(({ id }) => set.loadIds.includes(id));
    const chosen = typical.flatMap((entry, i) => {
      const load = loadFromLibrary(entry, entry.id, system, []);
      const share = draws[i % draws.length]!;
      // The lowest of what is drawn stands for loads that this house does not have.
      return share < 62 ? [] : [{ ...load, runningPowerW: Math.round((load.runningPowerW * share) / 100) }];
    });
    const plan = addLoads(blank, chosen);
    return settlePlan({
      ...plan,
      site: { ...plan.site, latitudeDeg, longitudeDeg },
      brief: { ...plan.brief, ...brief },
      outage: { ...plan.outage, seed },
      sources: { ...plan.sources, arrays: sun ? [usualArray(plan, 'roof', 'Roof')] : [] },
    });
  });
