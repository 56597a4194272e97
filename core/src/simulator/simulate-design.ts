import { asNew } from '../design/index.js';
import { type Catalogue } from '../equipment/index.js';
import { type OutageStudy, studyYear, wholeHouse } from '../study/details.js';
import { hiddenTruth } from './hidden-truth.js';
import { SimulatedHouse } from './simulated-house.js';

/** Weather and moments of switching of a simulated house are those of no study: its seeds begin here. */
const firstSeed = 7_000_000;

/**
 * The house of a design as if it were built, with a truth of its own that the seed decides.
 *
 * @param fromMinute minute of the year at which it begins
 * @param charge share of its energy that the battery begins with
 * @returns null where nothing is backed up, or the units do not go together
 */
export function simulateDesign(
  study: OutageStudy,
  catalogue: Catalogue,
  {
    seed,
    fromMinute,
    charge,
  }: { readonly seed: number; readonly fromMinute: number; readonly charge: number },
): SimulatedHouse | null {
  const year = studyYear({ ...study, plan: asNew(study.plan) }, catalogue, firstSeed + seed);
  if (!year) return null;
  return new SimulatedHouse({
    year,
    whole: wholeHouse(year).loads,
    batteries: year.stack.batteries.reduce((sum, { quantity }) => sum + quantity, 0),
    truth: hiddenTruth(seed),
    seed,
    fromMinute,
    charge,
  });
}
