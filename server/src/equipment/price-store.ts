import { emptyPriceBook, emptyPriceList, type PriceBook } from '@levamen/core/offer';
import type { EntityManager } from 'typeorm';
import { ItemPriceEntity, type ItemPriceRow, PriceBookEntity } from './equipment-entities.js';

/** Rows of one statement: a statement has at most 65,535 parameters. */
const rowsAtOnce = 5000;

/** Decimal text without zeros that say nothing: "100.5000" is "100.5". */
const shortest = (decimal: string): string =>
  decimal.includes('.') ? decimal.replace(/0+$/, '').replace(/\.$/, '') : decimal;

/** The book with its prices as the database gives them back. */
export const asKept = (book: PriceBook): PriceBook => ({
  ...book,
  lists: book.lists.map((list) => ({
    ...list,
    prices: list.prices.map(({ itemId, net }) => ({ itemId, net: shortest(net) })),
  })),
});

/** The prices of a company as they were at a revision; null = nothing had a price. */
export async function readBook(
  manager: EntityManager,
  workspaceId: string,
  revision: number,
): Promise<PriceBook | null> {
  const [kept] = await manager.query<{ revision: number; book: PriceBook }[]>(
    `SELECT revision, book FROM price_book WHERE workspace_id = $1 AND revision <= $2
     ORDER BY revision DESC LIMIT 1`,
    [workspaceId, revision],
  );
  if (!kept) return null;
  const rows = await manager.find(ItemPriceEntity, {
    where: { workspaceId, revision: kept.revision },
    order: { listId: 'ASC', position: 'ASC' },
  });
  // A book of an earlier version says nothing of what came later.
  return {
    ...emptyPriceBook(kept.book.currency),
    ...kept.book,
    lists: kept.book.lists.map((list) => ({
      ...emptyPriceList(list.id, list.supplier),
      ...list,
      prices: rows.flatMap(({ listId, itemId, net }) =>
        listId === list.id ? [{ itemId, net: shortest(net) }] : [],
      ),
    })),
  };
}

/** Keeps the prices of a new revision. */
export async function writeBook(
  manager: EntityManager,
  key: { readonly workspaceId: string; readonly revision: number },
  book: PriceBook,
): Promise<void> {
  const lists = book.lists.map((list) => ({ ...list, prices: [] }));
  await manager.insert(PriceBookEntity, { ...key, currency: book.currency, book: { ...book, lists } });
  const rows = book.lists.flatMap(({ id, prices }) =>
    prices.map(({ itemId, net }, position): ItemPriceRow => ({ ...key, listId: id, position, itemId, net })),
  );
  for (let from = 0; from < rows.length; from += rowsAtOnce)
    await manager.insert(ItemPriceEntity, rows.slice(from, from + rowsAtOnce));
}
