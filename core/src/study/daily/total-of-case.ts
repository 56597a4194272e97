import { sumOfAmounts } from '../../tariff/index.js';
import type { DailyCase } from './daily-result.js';

/** An amount, decimal text, and what it is in. */
export interface BilledAmount {
  readonly amount: string;
  readonly currency: string;
}

/** What all meters of a case come to in a year; null where a meter has no tariff, or they are in several currencies. */
export function totalOfCase({ meters }: Pick<DailyCase, 'meters'>): BilledAmount | null {
  const bills = meters.map(({ bill }) => bill);
  const currencies = [...new Set(bills.map((bill) => bill?.currency))];
  const [currency] = currencies;
  if (currencies.length !== 1 || currency === undefined) return null;
  return { amount: sumOfAmounts(bills.map((bill) => bill!.total)), currency };
}

/** The same of one month, 0 = January; null where a meter has no bill of it. */
export function totalOfMonth({ meters }: Pick<DailyCase, 'meters'>, month: number): string | null {
  const bills = meters.map(({ bill }) => bill?.months.find((one) => one.month === month + 1)?.total);
  return bills.some((total) => total === undefined) ? null : sumOfAmounts(bills as string[]);
}
