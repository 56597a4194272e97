import { Big } from 'big.js';
import { minorUnit } from '../../base/index.js';
import type { OfferTotal } from '../../offer/index.js';

/** What a household is shown of a price: what it pays, not how it is reckoned. Amounts are decimal text. */
export interface HouseholdPrice {
  readonly currency: string;
  /** Everything delivered, installed and commissioned, before fees and tax. */
  readonly system: string;
  readonly fees: readonly { readonly name: string; readonly amount: string }[];
  readonly taxes: readonly { readonly name: string; readonly amount: string }[];
  readonly total: string;
  readonly incentives: readonly { readonly name: string; readonly amount: string }[];
  readonly after: string;
  /** Wire counts by length in it. */
  readonly estimated: boolean;
}

/** The lines of a price that a household reads; they add up to its totals. */
export function householdPrice(total: OfferTotal): HouseholdPrice {
  const of = (group: 'fees' | 'tax' | 'incentive') =>
    total.lines.filter((line) => line.group === group).map(({ label, amount }) => ({ name: label, amount }));
  const { text } = minorUnit(total.currency);
  return {
    currency: total.currency,
    system: text(new Big(total.net)),
    fees: of('fees'),
    taxes: of('tax'),
    total: total.gross,
    incentives: of('incentive'),
    after: total.afterIncentives,
    estimated: total.estimatedWire !== null,
  };
}
