import type { Item, Stack } from '../../equipment/index.js';
import type { Island, Plan } from '../../design/index.js';
import type { MaterialLine } from '../../wiring/index.js';
import type { PriceBook } from '../prices/price-book.schema.js';
import { lowestPrices } from './lowest-prices.js';
import { offerTotal, type OfferTotal } from './offer-total.js';
import { partsMaker } from './parts-maker.js';
import { pricedMaterial } from './priced-material.js';

/**
 * What a design costs with a stack in one island, and what is chosen for the others.
 *
 * @param material of its wiring; null = it is not wired yet, and wire counts by length
 */
export type Pricer = (
  plan: Plan,
  island: Island,
  stack: Stack,
  material?: readonly MaterialLine[] | null,
) => OfferTotal;

/**
 * Prices designs: what items and prices say together is worked out once, for every stack that is asked about.
 *
 * @param items everything a design may be made of
 */
export function pricer(items: readonly Item[], book: PriceBook): Pricer {
  const prices = lowestPrices(book);
  const partsFor = partsMaker(items, prices);
  return (plan, island, stack, material = null) => {
    const { list, open } = partsFor(plan, island, stack);
    const total = offerTotal(list, book, prices, material && pricedMaterial(material, items, book, prices));
    return open.length === 0 ? total : { ...total, missing: [...total.missing, ...open] };
  };
}
