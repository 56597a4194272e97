import type { DailyCase } from '@levamen/core/study/details';
import { sumOfAmounts } from '@levamen/core/tariff';

/** What all meters of a case come to in a year; null where a meter has no tariff, or they are in several currencies. */
export function totalOfCase({
  meters,
}: DailyCase): { readonly amount: string; readonly currency: string } | null {
  const bills = meters.map(({ bill }) => bill);
  const currencies = [...new Set(bills.map((bill) => bill?.currency))];
  const [currency] = currencies;
  if (currencies.length !== 1 || currency === undefined) return null;
  return { amount: sumOfAmounts(bills.map((bill) => bill!.total)), currency };
}

/** The same of one month, 0 = January. */
export function totalOfMonth({ meters }: DailyCase, month: number): string | null {
  const bills = meters.map(({ bill }) => bill?.months.find((one) => one.month === month + 1)?.total);
  return bills.some((total) => total === undefined) ? null : sumOfAmounts(bills as string[]);
}
