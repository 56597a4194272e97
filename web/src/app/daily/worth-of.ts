import type { DailySettings, Finance } from '@levamen/core/design';
import type { OfferTotal } from '@levamen/core/offer';
import { type DailyWorth, dailyWorth, exchanged } from '@levamen/core/offer/details';
import { totalOfCase } from '@levamen/core/study/details';
import type { DailyAnswer } from '../workers/daily-api';

/** Bills of a year before and after, and with a battery that has aged, in one currency. */
export interface BillsOfYear {
  readonly before: string;
  readonly after: string;
  readonly aged: string;
  readonly agedYears: number;
  readonly currency: string;
}

/** What a year is billed; null where a meter has no tariff, or they are in several currencies. */
export function billsOf({ fresh, agedDesign, agedYears }: DailyAnswer): BillsOfYear | null {
  const before = totalOfCase(fresh.cases[0]!);
  const after = totalOfCase(fresh.cases.at(-1)!);
  const old = totalOfCase(agedDesign);
  return before && after && old
    ? { before: before.amount, after: after.amount, aged: old.amount, agedYears, currency: before.currency }
    : null;
}

/** Savings against the price; null where either is not known, or they are in two currencies and no rate is said. */
export function worthOf(
  bills: BillsOfYear | null,
  price: OfferTotal | null,
  { years, discountRate, priceRise }: DailySettings,
  { exchangeRate }: Pick<Finance, 'exchangeRate'>,
): DailyWorth | null {
  if (!bills || !price) return null;
  const savings = {
    before: bills.before,
    after: bills.after,
    afterAged: bills.aged,
    agedYears: bills.agedYears,
  };
  const isSame = price.currency === bills.currency;
  if (!isSame && exchangeRate === null) return null;
  return dailyWorth(
    isSame ? savings : exchanged(savings, exchangeRate!),
    price.afterIncentives,
    price.currency,
    { years: years.value, discountRate: discountRate.value, priceRise: priceRise.value },
  );
}
