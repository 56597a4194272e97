import { monthOf } from '../../nature/index.js';
import type { Bill } from '../../house/index.js';
import { billDayWh, monthsOfDays } from '../../house/details.js';

const leastScale = 0.05;
const mostScale = 20;

/** What the bills say of each month of a year, Wh bought on its mean day; null where no bill covers a day of it. */
export function billedByMonth(bills: readonly Bill[]): (number | null)[] {
  const sums = Array.from({ length: 12 }, () => ({ wh: 0, days: 0 }));
  for (const bill of bills) {
    const dayWh = billDayWh(bill);
    for (const index of monthsOfDays(bill)) {
      const month = sums[index]!;
      month.wh += dayWh;
      month.days += 1;
    }
  }
  return sums.map(({ wh, days }) => (days === 0 ? null : wh / days));
}

/**
 * By how much what the load list takes must be stretched in each month, so that what is bought comes to the bills: the sun of arrays that were
 * there already takes its part first, interval by interval. Months without a bill are stretched as the mean of the others.
 *
 * @param loadWh of the list, by interval of a year
 * @param sunWh of the arrays that were there while the bills were written
 * @returns twelve factors; all 1 where there are no bills
 */
export function billScale(loadWh: Float64Array, sunWh: Float64Array, bills: readonly Bill[]): number[] {
  const billed = billedByMonth(bills);
  const perDay = loadWh.length / 365;
  const months = Array.from({ length: 12 }, () => ({ intervals: [] as number[], days: 0 }));
  for (let day = 0; day < 365; day += 1) {
    const month = months[monthOf(day)]!;
    month.days += 1;
    for (let i = 0; i < perDay; i += 1) month.intervals.push(day * perDay + i);
  }
  const scales = billed.map((dayWh, m): number | null => {
    if (dayWh === null) return null;
    const { intervals, days } = months[m]!;
    const boughtWh = (scale: number): number =>
      intervals.reduce((sum, i) => sum + Math.max(0, scale * loadWh[i]! - sunWh[i]!), 0);
    const wantedWh = dayWh * days;
    let [low, high] = [leastScale, mostScale];
    if (boughtWh(low) >= wantedWh) return low;
    if (boughtWh(high) <= wantedWh) return high;
    for (let step = 0; step < 40; step += 1) {
      const middle = (low + high) / 2;
      if (boughtWh(middle) < wantedWh) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  });
  const known = scales.filter((scale) => scale !== null);
  const mean = known.length === 0 ? 1 : known.reduce((sum, scale) => sum + scale, 0) / known.length;
  return scales.map((scale) => scale ?? mean);
}

/** Energies of a year stretched month by month. */
export function scaledByMonth(loadWh: Float64Array, scales: readonly number[]): Float64Array {
  const perDay = loadWh.length / 365;
  return loadWh.map((wh, i) => wh * scales[monthOf(Math.floor(i / perDay))]!);
}
