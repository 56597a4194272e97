import type { Big } from 'big.js';
import type { Item, Stack } from '../../equipment/index.js';
import type { Island, Plan } from '../../design/index.js';
import { partsOf } from '../parts/parts-of.js';
import type { PriceBook } from '../prices/price-book.schema.js';
import { lowestPrices, type OfferTotal, offerTotal } from './offer-total.js';

/** What a design costs for one island, with a stack. */
export type Pricer = (plan: Plan, island: Island, stack: Stack) => OfferTotal;

/**
 * Prices designs: what items and prices say together is worked out once, for every stack that is asked about.
 *
 * @param items everything a design may be made of
 */
export function pricer(items: readonly Item[], book: PriceBook): Pricer {
  const byId = new Map(items.map((item) => [item.id, item]));
  const prices = lowestPrices(book);
  /** The cheapest that fits; where none has a price, the first. */
  const cheapest = (fits: (item: Item) => boolean): Item | null => {
    let best: { item: Item; cost: Big | null } | null = null;
    for (const item of items) {
      if (item.retired || !fits(item)) continue;
      const cost = prices.get(item.id)?.cost ?? null;
      if (best === null || (cost !== null && (best.cost === null || cost.lt(best.cost))))
        best = { item, cost };
    }
    return best?.item ?? null;
  };
  return (plan, island, stack) => offerTotal(partsOf(plan, island, stack, byId, cheapest), book, prices);
}
