import type { Item } from '../../equipment/index.js';
import { readDecimal } from '../../base/index.js';
import { emptyPriceList, type ItemPrice, type PriceBook } from './price-book.schema.js';

const headings = ['Supplier', 'Identifier', 'Article number', 'Item', 'Net', 'Currency'] as const;

/** Every price as a table: a row of headings, then a row a price. */
export function priceTable(book: PriceBook, items: readonly Item[]): string[][] {
  const byId = new Map(items.map((item) => [item.id, item]));
  return [
    [...headings],
    ...book.lists.flatMap(({ supplier, prices, currency }) =>
      prices.map(({ itemId, net }) => {
        const item = byId.get(itemId);
        return [
          supplier,
          itemId,
          item?.articleNumber ?? '',
          item?.name ?? '',
          net,
          currency ?? book.currency,
        ];
      }),
    ),
  ];
}

/** Prices read from a table, by supplier. */
export interface ReadPrices {
  readonly bySupplier: ReadonlyMap<string, readonly ItemPrice[]>;
  readonly count: number;
  readonly problems: readonly { readonly row: number; readonly column: string; readonly message: string }[];
}

const plain = (text: string): string => text.trim().toLowerCase();
const names: Readonly<Record<string, readonly string[]>> = {
  supplier: ['supplier', 'wholesaler', 'list'],
  id: ['identifier', 'id'],
  article: ['article number', 'article', 'sku', 'part number', 'item number', 'model'],
  name: ['item', 'name', 'product', 'description'],
  net: ['net', 'net price', 'price', 'cost', 'dealer price', 'unit price', 'ek'],
  currency: ['currency'],
};

/**
 * Reads a table of prices: an item is known by its identifier, article number or name. Rows with a mistake are named, and the others
 * are kept.
 *
 * @param supplier of rows that name none; '' = they must
 */
export function readPriceTable(
  rows: readonly (readonly string[])[],
  items: readonly Item[],
  { currency, lists }: Pick<PriceBook, 'currency' | 'lists'>,
  supplier: string,
): ReadPrices {
  const currencyOf = (from: string): string =>
    lists.find((list) => plain(list.supplier) === plain(from))?.currency ?? currency;
  const head = (rows[0] ?? []).map(plain);
  const column = (key: string): number =>
    names[key]!.map((name) => head.indexOf(name)).find((index) => index >= 0) ?? -1;
  const at = Object.fromEntries(Object.keys(names).map((key) => [key, column(key)]));
  const problems: ReadPrices['problems'][number][] = [];
  const bySupplier = new Map<string, ItemPrice[]>();
  let count = 0;
  if (at['net']! < 0 || (at['id']! < 0 && at['article']! < 0 && at['name']! < 0)) {
    const message =
      'The first row must name the columns: “Net”, and “Identifier”, “Article number” or “Item”.';
    return { bySupplier, count, problems: [{ row: 1, column: '', message }] };
  }
  const known = new Map<string, Item>();
  for (const item of items)
    for (const name of [item.name, item.articleNumber, item.id])
      if (name !== '') known.set(plain(name), item);
  rows.slice(1).forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const row = index + 2;
    const cell = (key: string): string => (cells[at[key]!] ?? '').trim();
    const said = [cell('id'), cell('article'), cell('name')].filter((text) => text !== '');
    const item = said.map((text) => known.get(plain(text))).find((found) => found !== undefined);
    const net = readDecimal(cell('net'));
    const from = cell('supplier') || supplier;
    const problem = (of: string, message: string): unknown => problems.push({ row, column: of, message });
    if (!item) problem('Item', `“${said[0] ?? ''}” is not in the equipment. Enter it first`);
    if (net === null) problem('Net', `“${cell('net')}” is no amount. Write it as 1234.50, not below zero`);
    if (from === '') problem('Supplier', 'Name the supplier, or choose one');
    const inCurrency = cell('currency').toUpperCase();
    if (inCurrency !== '' && inCurrency !== currencyOf(from))
      problem(
        'Currency',
        `This price is in ${inCurrency}, and those of ${from || 'the company'} are in ${currencyOf(from)}. Say the supplier’s currency and rate first`,
      );
    else if (item && net !== null && from !== '') {
      const list = bySupplier.get(from) ?? [];
      bySupplier.set(from, list);
      const same = list.findIndex(({ itemId }) => itemId === item.id);
      if (same >= 0) problem('Item', `${item.name} is there twice`);
      else {
        list.push({ itemId: item.id, net });
        count += 1;
      }
    }
  });
  return { bySupplier, count, problems };
}

/** The book with prices of a table: of the suppliers it names, the prices it names; others stay. */
export function withPrices(book: PriceBook, { bySupplier }: ReadPrices, newId: () => string): PriceBook {
  const lists = [...book.lists];
  for (const [supplier, prices] of bySupplier) {
    const index = lists.findIndex((list) => plain(list.supplier) === plain(supplier));
    const named = new Set(prices.map(({ itemId }) => itemId));
    if (index < 0)
      lists.push({
        ...emptyPriceList(newId(), supplier),
        prices: [...prices],
      });
    else
      lists[index] = {
        ...lists[index]!,
        prices: [...lists[index]!.prices.filter(({ itemId }) => !named.has(itemId)), ...prices],
      };
  }
  return { ...book, lists };
}
