import { Big } from 'big.js';
import { minorUnit } from '../../base/index.js';
import type { Item } from '../../equipment/index.js';
import { lowestPrices, partsMaker, type PriceBook, type WorkLine } from '../../offer/index.js';
import { pricedMaterial } from '../../offer/details.js';
import type { MaterialKind } from '../../wiring/index.js';
import type { DesignStudy } from '../study/design-study.js';

/** One thing that is bought. */
export interface BoughtLine {
  readonly group: 'units' | MaterialKind;
  readonly name: string;
  /** The item of the company's list that stands for it; '' = none does. */
  readonly item: string;
  readonly articleNumber: string;
  readonly quantity: number;
  readonly unit: 'pieces' | 'm';
  /** Where it goes, or why it is there. */
  readonly where: readonly string[];
  /** '' = nobody sells it. */
  readonly supplier: string;
  /** Decimal text, net after discount; null = it has no price. */
  readonly amount: string | null;
}

export interface PartsLines {
  readonly currency: string | null;
  readonly lines: readonly BoughtLine[];
  readonly work: readonly WorkLine[];
  /** Names of what has no price. */
  readonly missing: readonly string[];
  /** Sum of the amounts; null without prices. */
  readonly total: string | null;
}

/** Everything a design is made of: units and what stands beside them, then the material of its wiring to the last lug that the wiring knows. */
export function partsLines(
  { plan, islands, material }: DesignStudy,
  items: readonly Item[],
  book: PriceBook | null,
): PartsLines {
  const first = islands.find(({ stack }) => stack !== null);
  const prices = lowestPrices(book ?? { lists: [] });
  const byId = new Map(items.map((item) => [item.id, item]));
  const made = first?.stack ? partsMaker(items, prices)(plan, first.island, first.stack) : null;
  const { round, text } = minorUnit(book?.currency ?? 'USD');
  const units = (made?.list.parts ?? []).map(({ itemId, name, quantity, why }): BoughtLine => {
    const item = itemId === null ? undefined : byId.get(itemId);
    const priced = itemId === null ? undefined : prices.get(itemId);
    return {
      group: 'units',
      name,
      item: item?.name ?? '',
      articleNumber: item?.articleNumber ?? '',
      quantity,
      unit: 'pieces',
      where: why === '' ? [] : [why],
      supplier: priced?.list.supplier ?? '',
      amount: priced ? text(round(priced.cost.times(quantity))) : null,
    };
  });
  const priced = book && pricedMaterial(material, items, book, prices);
  const wiring = material.map((line, index): BoughtLine => {
    const { item = null, bought = null, amount = null, list = null } = priced?.lines[index] ?? {};
    return {
      group: line.kind,
      name: line.name,
      item: item ?? '',
      articleNumber: items.find(({ name }) => name === item)?.articleNumber ?? '',
      quantity: bought ?? line.quantity,
      unit: line.unit === 'm' ? 'm' : 'pieces',
      where: line.where,
      supplier: list?.supplier ?? '',
      amount,
    };
  });
  const lines = [...units, ...wiring];
  return {
    currency: book?.currency ?? null,
    lines,
    work: made?.list.work ?? [],
    missing: [
      ...lines.filter(({ amount }) => amount === null).map(({ name }) => name),
      ...(made?.open ?? []),
    ],
    total: book ? text(lines.reduce((sum, { amount }) => sum.plus(amount ?? 0), new Big(0))) : null,
  };
}
