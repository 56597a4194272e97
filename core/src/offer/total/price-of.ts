import { Big } from 'big.js';
import type { Item, Stack } from '../../equipment/index.js';
import type { Island, Plan } from '../../design/index.js';
import { partsOf } from '../parts/parts-of.js';
import { lowestPrices, type OfferTotal, offerTotal } from './offer-total.js';
import type { PriceBook } from '../prices/price-book.schema.js';

/**
 * What a design costs for one island, with a stack.
 *
 * @param items everything it may be made of
 */
export function priceOf(
  plan: Plan,
  island: Island,
  stack: Stack,
  items: readonly Item[],
  book: PriceBook,
): OfferTotal {
  const prices = lowestPrices(book);
  const costOf = ({ id }: Item): Big | null => {
    const priced = prices.get(id);
    return priced ? new Big(priced.net).times(new Big(1).minus(priced.list.discount)) : null;
  };
  /** The cheapest that fits; where none has a price, the first. */
  const cheapest = (fits: (item: Item) => boolean): Item | null => {
    let best: { item: Item; cost: Big | null } | null = null;
    for (const item of items) {
      if (item.retired || !fits(item)) continue;
      const cost = costOf(item);
      if (best === null || (cost !== null && (best.cost === null || cost.lt(best.cost))))
        best = { item, cost };
    }
    return best?.item ?? null;
  };
  return offerTotal(partsOf(plan, island, stack, items, cheapest), book);
}
