import type { Season } from '../../nature/index.js';
import { StepSum, type SupplySystem, type TripLevel } from '../../electric/index.js';
import { dayPartFacts, dayParts, type Load, onShare } from '../../house/index.js';
import { cyclesPerHour } from '../../house/details.js';
import { type PowerPart, runsOn } from '../output/power-part.js';

/** Powers are rounded to steps of so many VA, once down and once up. */
const stepVA = 5;
/** Keeps a power that is a whole number of steps there, whatever its last binary digit. */
const roundingSteps = 1e-9;

/** Loads that switch independently, on one axis. */
interface Switching {
  readonly powersVA: readonly number[];
  readonly shares: readonly number[];
  readonly startsPerHour: readonly number[];
}

/** Both ends of what rounding to steps leaves open. */
interface Sides {
  readonly least: StepSum;
  readonly most: StepSum;
  readonly leastSteps: readonly number[];
  readonly mostSteps: readonly number[];
}

const sidesOf = ({ powersVA, shares }: Switching): Sides => {
  const leastSteps = powersVA.map((va) => Math.floor(va / stepVA + roundingSteps));
  const mostSteps = powersVA.map((va) => Math.ceil(va / stepVA - roundingSteps));
  return {
    leastSteps,
    mostSteps,
    least: StepSum.of(leastSteps, shares),
    most: StepSum.of(mostSteps, shares),
  };
};

/**
 * The most times in an hour that a limit is passed for longer than it is held.
 *
 * Loads switch on and off independently: load i starts c_i times an hour. The limit L is passed upwards at the rate
 * Σ c_i · P(L − P_i < X₋ᵢ ≤ L), X₋ᵢ being the demand of the others; such a stretch lasts on average P(X > L) ÷ rate; taken as
 * exponential, it outlasts t with exp(−t ÷ mean). (Rate of upcrossings of a sum of alternating renewal processes.)
 *
 * Powers rounded down and up enclose each of these probabilities, so the answer is an upper bound of that formula:
 * r · exp(−t · r ÷ P) is highest where r = P ÷ t, or at an end of what r may be.
 */
function mostTripsPerHour(of: Switching, sides: Sides, { aboveVA, heldS }: TripLevel): number {
  const sumVA = (counts: (share: number) => boolean): number =>
    of.powersVA.reduce((sum, va, i) => sum + (counts(of.shares[i]!) ? va : 0), 0);
  if (sumVA((share) => share > 0) <= aboveVA * (1 + 1e-12)) return 0;
  // What is always on passes it: the inverter never holds, and trips again after every retry.
  if (sumVA((share) => share >= 1) > aboveVA) return Infinity;
  // On the limit counts as above it where that makes more trips.
  const [lowLimit, highLimit] = [aboveVA / stepVA - roundingSteps, aboveVA / stepVA + roundingSteps];
  const above = sides.most.shareAbove(lowLimit);
  if (above <= 1e-12) return 0;
  let [least, most] = [0, 0];
  of.powersVA.forEach((powerVA, i) => {
    const share = of.shares[i]!;
    if (share <= 0 || share >= 1 || powerVA <= 0) return;
    const low = sides.least.without(sides.leastSteps[i]!, share);
    const high = sides.most.without(sides.mostSteps[i]!, share);
    const below = (aboveVA - powerVA) / stepVA;
    most +=
      of.startsPerHour[i]! * Math.max(0, high.shareAbove(below - roundingSteps) - low.shareAbove(highLimit));
    least +=
      of.startsPerHour[i]! * Math.max(0, low.shareAbove(below + roundingSteps) - high.shareAbove(lowLimit));
  });
  const heldH = heldS / 3600;
  const trips = (rate: number): number => rate * Math.exp((-heldH * rate) / above);
  const turn = heldH > 0 ? above / heldH : Infinity;
  return trips(Math.min(most, Math.max(least, turn)));
}

/**
 * Most overload trips to be expected on a day of outage, from running loads alone (starts have a check of their own), on one axis:
 * the whole inverter, one leg, or the battery.
 *
 * A stretch that passes several levels may be counted at each of them, which keeps this an upper bound.
 *
 * @param loads those that count when power is checked
 * @param levels of that axis, see {@link overloadAxes}
 * @param part of the output that the axis stands for
 */
export function expectedTripsPerDay(
  system: SupplySystem,
  loads: readonly Load[],
  season: Season,
  levels: readonly TripLevel[],
  part: PowerPart = 'whole',
): number {
  const powersVA = loads.map((load) => load.quantity * runsOn(system, load, part));
  let trips = 0;
  for (const part of dayParts) {
    const { hours, field } = dayPartFacts[part];
    const of: Switching = {
      powersVA,
      shares: loads.map((load) => onShare(load, season, part)),
      startsPerHour: loads.map((load) => cyclesPerHour(load) * (load.use[season][field] / hours.length)),
    };
    const sides = sidesOf(of);
    for (const level of levels) trips += hours.length * mostTripsPerHour(of, sides, level);
  }
  return trips;
}
