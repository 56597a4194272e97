import { expect, it } from 'vitest';
import { companyItems } from '../../equipment/testing/company-items.js';
import { emptyPriceBook } from './price-book.schema.js';
import { priceTable, readPriceTable, withPrices } from './price-table.js';

const id = () => 'new';

it('a table of prices comes back as it went', () => {
  const rows = [
    ['Supplier', 'Item', 'Net'],
    ['Wholesaler', 'Clover 68', '8,123.45'],
    ['wholesaler', 'clover-pack', '6 400'],
    ['Other', 'Daisy 23', '1.900,5'],
  ];
  const read = readPriceTable(rows, companyItems, 'CAD', '');
  expect(read.problems).toEqual([]);
  const book = withPrices(emptyPriceBook('CAD'), read, id);
  const again = readPriceTable(priceTable(book, companyItems), companyItems, 'CAD', '');
  expect(again.problems).toEqual([]);
  expect(withPrices(emptyPriceBook('CAD'), again, id)).toEqual(book);
  expect(
    priceTable(book, companyItems)
      .slice(1)
      .map((row) => [row[0], row[3], row[4]]),
  ).toEqual([
    ['Wholesaler', 'Clover 68', '8123.45'],
    ['Wholesaler', 'Clover pack', '6400'],
    ['Other', 'Daisy 23', '1900.5'],
  ]);
});

it('what is wrong is named by row and column; the rest is kept, and prices nobody names stay', () => {
  const { problems, count, bySupplier } = readPriceTable(
    [
      ['article number', 'price', 'currency'],
      ['clover-68', '8000', 'CAD'],
      ['toaster', '20', ''],
      ['clover-pack', 'much', ''],
      ['daisy-23', '-5', ''],
      ['rush-44', '9', 'EUR'],
    ],
    companyItems,
    'CAD',
    'Wholesaler',
  );
  expect(problems.map(({ row, column }) => `${row} ${column}`)).toEqual([
    '3 Item',
    '4 Net',
    '5 Net',
    '6 Currency',
  ]);
  expect(count).toBe(1);
  const before = withPrices(
    emptyPriceBook('CAD'),
    readPriceTable(
      [
        ['Item', 'Net'],
        ['daisy-23', '100'],
        ['clover-68', '1'],
      ],
      companyItems,
      'CAD',
      'Wholesaler',
    ),
    id,
  );
  expect(withPrices(before, { bySupplier, count, problems }, id).lists[0]!.prices).toEqual([
    { itemId: 'daisy-23', net: '100' },
    { itemId: 'clover-68', net: '8000' },
  ]);
  expect(readPriceTable([['Item']], companyItems, 'CAD', '').problems[0]!.message).toContain('“Net”');
});
