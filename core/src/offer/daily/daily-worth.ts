import { Big } from 'big.js';
import { type Decimal, minorUnit } from '../../base/index.js';

/** What a design saves in its first year, and in a year in which its battery has aged. */
export interface Savings {
  /** Bills of a year without it, and with it; decimal text, below zero where more is earned than paid. */
  readonly before: string;
  readonly after: string;
  /** The same with a battery that is so many years old. */
  readonly afterAged: string;
  readonly agedYears: number;
}

/** Savings in another currency, at a typed rate. */
export function exchanged({ before, after, afterAged, agedYears }: Savings, rate: number): Savings {
  const at = (amount: string): string => new Big(amount).times(rate).toFixed(4);
  return { before: at(before), after: at(after), afterAged: at(afterAged), agedYears };
}

export interface YearOfWorth {
  readonly year: number;
  /** Saved in that year, at its prices. */
  readonly saved: string;
  /** All years until then, at what money is worth today, less the cost. */
  readonly netPresent: string;
}

export interface DailyWorth {
  readonly firstYear: string;
  /** Cost by what the first year saves; null = it saves nothing. */
  readonly simplePaybackYears: number | null;
  /** The year in which what was saved, at the prices of its year, has come to the cost; null = not within the years looked at. */
  readonly paidBackInYear: number | null;
  readonly netPresent: string;
  readonly years: readonly YearOfWorth[];
}

/**
 * Savings over years against what a design costs, in one currency. What is saved falls in a straight line as the battery ages,
 * and grows with the price of energy; a year's saving is discounted at its end.
 *
 * @param cost after incentives
 */
export function dailyWorth(
  { before, after, afterAged, agedYears }: Savings,
  cost: Decimal,
  currency: string,
  {
    years,
    discountRate,
    priceRise,
  }: {
    readonly years: number;
    readonly discountRate: number;
    readonly priceRise: number;
  },
): DailyWorth {
  const { text } = minorUnit(currency);
  const fresh = new Big(before).minus(after);
  const aged = new Big(before).minus(afterAged);
  const lostPerYear = agedYears > 0 ? fresh.minus(aged).div(agedYears) : new Big(0);
  const listed: YearOfWorth[] = [];
  let rise = new Big(1);
  let discount = new Big(1);
  let sum = new Big(0);
  let net = new Big(cost).times(-1);
  let paidBackInYear: number | null = null;
  for (let year = 1; year <= years; year += 1) {
    const saved = fresh.minus(lostPerYear.times(year - 1)).times(rise);
    rise = rise.times(new Big(1).plus(priceRise)).round(12);
    discount = discount.div(new Big(1).plus(discountRate)).round(12);
    sum = sum.plus(saved);
    net = net.plus(saved.times(discount));
    if (paidBackInYear === null && sum.gte(cost)) paidBackInYear = year;
    listed.push({ year, saved: text(saved), netPresent: text(net) });
  }
  return {
    firstYear: text(fresh),
    simplePaybackYears: fresh.gt(0) ? new Big(cost).div(fresh).round(2).toNumber() : null,
    paidBackInYear,
    netPresent: text(net),
    years: listed,
  };
}
