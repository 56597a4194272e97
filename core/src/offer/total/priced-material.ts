import { Big } from 'big.js';
import { minorUnit } from '../../base/index.js';
import type { Item } from '../../equipment/index.js';
import type { MaterialIs, MaterialLine } from '../../wiring/index.js';
import type { PriceBook, PriceList } from '../prices/price-book.schema.js';
import { lowestPrices, pricedWorking, type Prices } from './lowest-prices.js';

/** A line of material with what stands for it in the company's lists. */
export interface PricedMaterialLine {
  readonly line: MaterialLine;
  /** null = nothing in the list fits, or nothing that fits has a price. */
  readonly item: string | null;
  /** Pieces, or metres, that are bought for it: whole pieces, whole coils. */
  readonly bought: number | null;
  /** Decimal text, in the company's currency. */
  readonly amount: string | null;
  /** The one it is bought from. */
  readonly list: PriceList | null;
  /** "12 × 3.99 less 10 %, Supplier". */
  readonly working: string;
}

export interface PricedMaterial {
  readonly currency: string;
  readonly lines: readonly PricedMaterialLine[];
  /** Of the lines that have a price. */
  readonly total: string;
  /** Names of what has none. */
  readonly missing: readonly string[];
  /** Have the lists a price for any conductor or conduit of it? */
  readonly wire: 'priced' | 'no prices' | 'none needed';
}

/** Lines that count by length while nothing is priced: conductors, conduit, and what belongs to them. */
export const isWire = ({ kind }: MaterialIs): boolean => kind === 'conductor' || kind === 'conduit';

/** Sizes as people write them: "6 AWG", "6awg"; "16 mm²", "16 mm2"; "1¼ in", "1 1/4 in". */
const plainSize = (text: string): string =>
  text
    .toLowerCase()
    .replaceAll('²', '2')
    .replaceAll('¼', ' 1/4')
    .replaceAll('½', ' 1/2')
    .replaceAll('¾', ' 3/4')
    .replaceAll(/["”]/g, ' in')
    .replaceAll(/\s+/g, '');

/** Can an item of a list stand for a line? A breaker of more poles or amperes, or of another family than its panel is listed for, is another one. */
function fits(item: Item, { is, name }: MaterialLine): boolean {
  switch (is.kind) {
    case 'conductor':
      return (
        item.kind === 'conductor' &&
        item.ratings.metal === is.material &&
        (item.ratings.cores ?? 1) === 1 &&
        item.ratings.size !== null &&
        plainSize(item.ratings.size) === plainSize(is.size)
      );
    case 'conduit':
      return (
        item.kind === 'conduit' &&
        item.ratings.tradeSize !== null &&
        plainSize(item.ratings.tradeSize) === plainSize(is.size)
      );
    case 'breaker':
      return (
        item.kind === 'breaker' &&
        item.ratings.breakerA === is.ratingA &&
        item.ratings.breakerPoles === is.poles &&
        sameFamily(item.ratings.family, is.family)
      );
    case 'disconnect':
      // A switch may carry more than is asked of it.
      return (
        item.kind === 'disconnect' &&
        is.ratingA !== null &&
        item.ratings.disconnectA >= is.ratingA &&
        item.ratings.disconnectPoles >= is.poles
      );
    case 'fuse':
      return item.kind === 'fuse' && item.ratings.fuseA === is.ratingA;
    case 'metering':
      return item.kind === 'metering';
    case 'communication':
      return item.kind === 'communication';
    case 'other':
      // Lugs, signs, fittings have no ratings to be known by: a part of the same name is meant.
      return item.kind === 'other' && plainSize(item.name) === plainSize(name);
  }
}

/** Nothing said fits everything. */
const sameFamily = (one: string | null, other: string): boolean =>
  other === '' || !one || one.trim().toLowerCase() === other.toLowerCase();

/** How much of an item is bought where so much is needed: whole coils, whole pieces. Prices are those of a metre, or of a piece. */
function boughtOf(item: Item, needed: number): { readonly bought: number; readonly priced: number } {
  const whole = (step: number): number => Math.ceil(needed / step - 1e-9);
  if (item.kind === 'conductor' && item.ratings.soldByM !== null) {
    const bought = whole(item.ratings.soldByM) * item.ratings.soldByM;
    return { bought, priced: bought };
  }
  if (item.kind === 'conduit' && item.ratings.pieceM !== null) {
    const pieces = whole(item.ratings.pieceM);
    return { bought: pieces * item.ratings.pieceM, priced: pieces };
  }
  return { bought: needed, priced: needed };
}

/**
 * The material of a wiring at the net prices of a company, after discount: for each line the item that comes cheapest. Lines are rounded to the smallest
 * unit of the currency, the total is their sum. Delivery, work, profit and taxes are not in it.
 *
 * @param prices of the book, where they are at hand
 */
export function pricedMaterial(
  material: readonly MaterialLine[],
  items: readonly Item[],
  book: PriceBook,
  prices: Prices = lowestPrices(book),
): PricedMaterial {
  const { round, text } = minorUnit(book.currency);
  let total = new Big(0);
  const lines = material.map((line): PricedMaterialLine => {
    let best: {
      readonly item: Item;
      readonly bought: number;
      readonly cost: Big;
      readonly list: PriceList;
      readonly working: string;
    } | null = null;
    for (const item of items) {
      const price = item.retired || !fits(item, line) ? undefined : prices.get(item.id);
      if (!price) continue;
      const { bought, priced } = boughtOf(item, line.quantity);
      const cost = round(price.cost.times(priced));
      if (best === null || cost.lt(best.cost))
        best = { item, bought, cost, list: price.list, working: pricedWorking(priced, price) };
    }
    if (best === null) return { line, item: null, bought: null, amount: null, list: null, working: '' };
    total = total.plus(best.cost);
    const { bought, cost, list, working } = best;
    return { line, item: best.item.name, bought, amount: text(cost), list, working };
  });
  const wires = lines.filter(({ line }) => isWire(line.is));
  return {
    currency: book.currency,
    lines,
    total: text(total),
    missing: lines.flatMap(({ line, amount }) => (amount === null ? [line.name] : [])),
    wire:
      wires.length === 0
        ? 'none needed'
        : wires.some(({ amount }) => amount !== null)
          ? 'priced'
          : 'no prices',
  };
}
