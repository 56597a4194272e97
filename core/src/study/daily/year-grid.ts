import type { MeasuredYear } from '../../house/details.js';
import { hoursOfYear } from '../../nature/index.js';

/** Lengths of the intervals in which a year is played, min. */
export type IntervalMin = MeasuredYear['intervalMin'];

/** Intervals of a year of 365 days. */
export const intervalsOfYear = (intervalMin: IntervalMin): number => (hoursOfYear * 60) / intervalMin;

/** Means of hours as energies of intervals, Wh. */
export function spreadHours(hourlyW: ArrayLike<number>, intervalMin: IntervalMin): Float64Array {
  const perHour = 60 / intervalMin;
  const energyWh = new Float64Array(hoursOfYear * perHour);
  for (let i = 0; i < energyWh.length; i += 1) energyWh[i] = hourlyW[Math.floor(i / perHour)]! / perHour;
  return energyWh;
}
