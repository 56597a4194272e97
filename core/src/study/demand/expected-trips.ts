import type { Season } from '../../nature/index.js';
import { DemandDistribution, type TripLevel } from '../../electric/index.js';
import type { OverloadPoint } from '../../equipment/index.js';
import {
  cyclesPerHour,
  dayPartFacts,
  dayParts,
  type Load,
  onShare,
  runningPowerVA,
} from '../../house/index.js';

/** The levels of an overload curve: each power holds for the time of the next shorter point. */
export function tripLevels(continuousVA: number, overload: readonly OverloadPoint[]): TripLevel[] {
  const powers = [continuousVA, ...overload.map(({ apparentPowerVA }) => apparentPowerVA)];
  return powers.map((aboveVA, index) => ({ aboveVA, heldS: overload[index]?.durationS ?? 0 }));
}

/**
 * How often in an hour a limit is passed for longer than it is held.
 *
 * Loads switch on and off independently: load i starts c_i times an hour. The limit L is passed upwards at the rate
 * Σ c_i · P(L − P_i < X₋ᵢ ≤ L), X₋ᵢ being the demand of the others; such a stretch lasts on average P(X > L) ÷ rate; taken as
 * exponential, it outlasts t with exp(−t ÷ mean). (Rate of upcrossings of a sum of alternating renewal processes.)
 */
function tripsPerHour(
  powersVA: readonly number[],
  shares: readonly number[],
  startsPerHour: readonly number[],
  { aboveVA, heldS }: TripLevel,
): number {
  const above = DemandDistribution.of(powersVA, shares).shareAbove(aboveVA);
  if (above <= 1e-12) return 0;
  let rate = 0;
  powersVA.forEach((powerVA, i) => {
    if (shares[i]! <= 0 || shares[i]! >= 1 || powerVA <= 0) return;
    const others = DemandDistribution.of(powersVA, shares, i);
    rate +=
      startsPerHour[i]! * Math.max(0, others.shareAbove(aboveVA - powerVA) - others.shareAbove(aboveVA));
  });
  // All that passes it is always on: the inverter never holds, and trips again after every retry.
  if (rate <= 0) return Infinity;
  const meanS = (above / rate) * 3600;
  return rate * Math.exp(-heldS / meanS);
}

/**
 * Expected overload trips on a day of outage, from running loads alone (starts have a check of their own).
 *
 * A stretch that passes several levels may be counted at each of them, so this is an upper bound.
 *
 * @param loads those that count when power is checked
 * @param levels of the whole inverter, see {@link tripLevels}
 */
export function expectedTripsPerDay(
  loads: readonly Load[],
  season: Season,
  levels: readonly TripLevel[],
): number {
  const powersVA = loads.map((load) => load.quantity * runningPowerVA(load));
  let trips = 0;
  for (const part of dayParts) {
    const { hours, field } = dayPartFacts[part];
    const shares = loads.map((load) => onShare(load, season, part));
    const starts = loads.map((load) => cyclesPerHour(load) * (load.use[season][field] / hours.length));
    for (const level of levels) trips += hours.length * tripsPerHour(powersVA, shares, starts, level);
  }
  return trips;
}
