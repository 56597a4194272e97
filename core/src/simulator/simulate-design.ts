import { asNew } from '../design/index.js';
import { type Catalogue } from '../equipment/index.js';
import { type OutageStudy, studyYear, wholeHouse } from '../study/details.js';
import { hiddenTruth } from './hidden-truth.js';
import { SimulatedHouse } from './simulated-house.js';

/** Weather and moments of switching of a simulated house are those of no study: its seeds begin here. */
const firstSeed = 7_000_000;

/** When a simulated house begins: minute of the year, and share of its energy that its battery holds. */
export interface SimulatedStart {
  readonly fromMinute: number;
  readonly charge: number;
  /** Years since it was put into service; 0 where nothing is said. */
  readonly years?: number;
}

/**
 * Prepares the house of a design as if it were built, with a truth of its own that the seed decides: it can be begun as often as one likes.
 *
 * @returns null where nothing is backed up, or the units do not go together
 */
export function simulatorOf(
  study: OutageStudy,
  catalogue: Catalogue,
  seed: number,
): ((start: SimulatedStart) => SimulatedHouse) | null {
  const year = studyYear({ ...study, plan: asNew(study.plan) }, catalogue, firstSeed + seed);
  if (!year) return null;
  const whole = wholeHouse(year).loads;
  const batteries = year.stack.batteries.reduce((sum, { quantity }) => sum + quantity, 0);
  const asNewTruth = hiddenTruth(seed);
  return ({ years = 0, ...start }) => {
    const capacityTimes = asNewTruth.capacityTimes * (1 - asNewTruth.fadePerYear * years);
    return new SimulatedHouse({
      year,
      whole,
      batteries,
      truth: { ...asNewTruth, capacityTimes },
      seed,
      ...start,
    });
  };
}

/** The same for one house. */
export const simulateDesign = (
  study: OutageStudy,
  catalogue: Catalogue,
  { seed, ...start }: SimulatedStart & { readonly seed: number },
): SimulatedHouse | null => simulatorOf(study, catalogue, seed)?.(start) ?? null;
