import { expect, it } from 'vitest';
import { sampleLine } from '../../equipment/index.js';
import { itemDoubts, listProblems } from '../../equipment/details.js';
import { priceBookSchema } from '../prices/price-book.schema.js';
import { demoBook, demoItems } from './demo-book.js';

it('the demo has a price for everything it sells, and nothing about it is in doubt', () => {
  expect(priceBookSchema.safeParse(demoBook).success).toBe(true);
  const priced = new Set(demoBook.lists.flatMap(({ prices }) => prices.map(({ itemId }) => itemId)));
  const all = [...sampleLine, ...demoItems];
  expect(all.filter(({ id }) => !priced.has(id))).toEqual([]);
  expect(priced.size).toBe(all.length);
  expect(demoItems.flatMap(itemDoubts)).toEqual([]);
  expect(listProblems(all)).toEqual([]);
});
