import { type Season, seasons } from '../../nature/index.js';
import { seasonOfMonth } from './measured-use.js';
import type { Bill } from './usage.schema.js';

const dayMs = 86_400_000;

/** Days of the period of a bill; its last day is the one before `toDay`. */
export const billDays = ({ fromDay, toDay }: Pick<Bill, 'fromDay' | 'toDay'>): number =>
  Math.round((Date.parse(toDay) - Date.parse(fromDay)) / dayMs);

/** kWh of a period ÷ days of the period, in Wh a day. */
export const billDayWh = (bill: Bill): number => bill.energyWh / billDays(bill);

/** Each day of the period of a bill by the month it lies in, 0 = January. */
export const monthsOfDays = (bill: Pick<Bill, 'fromDay' | 'toDay'>): number[] =>
  Array.from({ length: billDays(bill) }, (_, day) =>
    new Date(Date.parse(bill.fromDay) + day * dayMs).getUTCMonth(),
  );

export interface BillFacts {
  /** In order of time. */
  readonly bills: readonly Bill[];
  readonly days: number;
  readonly energyWh: number;
  readonly meanDayWh: number;
  readonly highest: Bill;
  readonly lowest: Bill;
  /** Mean day of each season, Wh; null without a bill in it. Each day of a period counts into its own season. */
  readonly seasonDayWh: Readonly<Record<Season, number | null>>;
  /** Bills that overlap the one before them, by id. */
  readonly overlapping: readonly string[];
  /** Days between bills for which there is none. */
  readonly missingDays: number;
}

/** What a list of bills says; null where there is none. */
export function billFacts(list: readonly Bill[], southern: boolean): BillFacts | null {
  if (list.length === 0) return null;
  const bills = list.toSorted((a, b) => a.fromDay.localeCompare(b.fromDay));
  const sums: Record<Season, [number, number]> = { winter: [0, 0], shoulder: [0, 0], summer: [0, 0] };
  let [days, energyWh, missingDays] = [0, 0, 0];
  const overlapping: string[] = [];
  bills.forEach((bill, index) => {
    days += billDays(bill);
    energyWh += bill.energyWh;
    const dayWh = billDayWh(bill);
    for (const month of monthsOfDays(bill)) {
      const season = sums[seasonOfMonth(month, southern)];
      season[0] += dayWh;
      season[1] += 1;
    }
    const before = bills[index - 1];
    if (!before) return;
    if (bill.fromDay < before.toDay) overlapping.push(bill.id);
    else missingDays += Math.round((Date.parse(bill.fromDay) - Date.parse(before.toDay)) / dayMs);
  });
  const byDay = bills.toSorted((a, b) => billDayWh(a) - billDayWh(b));
  return {
    bills,
    days,
    energyWh,
    meanDayWh: energyWh / days,
    highest: byDay.at(-1)!,
    lowest: byDay[0]!,
    seasonDayWh: Object.fromEntries(
      seasons.map((season) => [season, sums[season][1] > 0 ? sums[season][0] / sums[season][1] : null]),
    ) as Record<Season, number | null>,
    overlapping,
    missingDays,
  };
}
