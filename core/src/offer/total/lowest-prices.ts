import { Big } from 'big.js';
import { type Decimal, rateText } from '../../base/index.js';
import type { PriceBook, PriceList } from '../prices/price-book.schema.js';

/** What an item costs where it is cheapest. */
export interface Priced {
  readonly list: PriceList;
  readonly net: Decimal;
  /** Of one piece, after discount, in the company's currency. */
  readonly cost: Big;
}

/** By item. */
export type Prices = ReadonlyMap<string, Priced>;

/** What one of a list's currency costs in the company's; 1 where it is the same. */
const rateOf = ({ currency, rate }: PriceList): string => (currency === null ? '1' : rate);

/** An amount of a list in the company's currency. */
export const inCompanyCurrency = (amount: Decimal, list: PriceList): Big =>
  new Big(amount).times(rateOf(list));

/** The lowest price of each item after discount; of equal ones that of the first list. */
export function lowestPrices({ lists }: Pick<PriceBook, 'lists'>): Prices {
  const lowest = new Map<string, Priced>();
  for (const list of lists)
    for (const { itemId, net } of list.prices) {
      const cost = inCompanyCurrency(net, list).times(new Big(1).minus(list.discount));
      const before = lowest.get(itemId);
      if (!before || cost.lt(before.cost)) lowest.set(itemId, { list, net, cost });
    }
  return lowest;
}

/** "3 × 5,200.00 USD × 0.91 less 12 %, Supplier": how an amount of goods comes about. */
export function pricedWorking(quantity: number, { list, net }: Priced): string {
  const off = list.discount === 0 ? '' : ` less ${rateText(list.discount)}`;
  const foreign = list.currency === null ? '' : ` ${list.currency} × ${list.rate}`;
  return `${quantity} × ${net}${foreign}${off}, ${list.supplier}`;
}
