import { expect, it } from 'vitest';
import { companyItems } from '../../equipment/testing/company-items.js';
import { emptyPriceBook, emptyPriceList } from './price-book.schema.js';
import { priceTable, readPriceTable, withPrices } from './price-table.js';

const id = () => 'new';

const inCad = { currency: 'CAD', lists: [] };

it('a table of prices comes back as it went', () => {
  const rows = [
    ['Supplier', 'Item', 'Net'],
    ['Wholesaler', 'Clover 68', '8,123.45'],
    ['wholesaler', 'clover-pack', '6 400'],
    ['Other', 'Daisy 23', '1.900,5'],
  ];
  const read = readPriceTable(rows, companyItems, inCad, '');
  expect(read.problems).toEqual([]);
  const book = withPrices(emptyPriceBook('CAD'), read, id);
  const again = readPriceTable(priceTable(book, companyItems), companyItems, inCad, '');
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
    inCad,
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
      inCad,
      'Wholesaler',
    ),
    id,
  );
  expect(withPrices(before, { bySupplier, count, problems }, id).lists[0]!.prices).toEqual([
    { itemId: 'daisy-23', net: '100' },
    { itemId: 'clover-68', net: '8000' },
  ]);
  expect(readPriceTable([['Item']], companyItems, inCad, '').problems[0]!.message).toContain('“Net”');
});

it('takes prices in the currency of their supplier, and no other', () => {
  const book = {
    ...emptyPriceBook('CAD'),
    lists: [{ ...emptyPriceList('far', 'Overseas'), currency: 'EUR', rate: '1.47' }],
  };
  const rows = [
    ['Supplier', 'Item', 'Net', 'Currency'],
    ['Overseas', 'Clover 68', '5000', 'EUR'],
    ['Overseas', 'Clover pack', '5000', 'CAD'],
    ['Wholesaler', 'Daisy 23', '900', 'eur'],
  ];
  const { count, problems } = readPriceTable(rows, companyItems, book, '');
  expect(count).toBe(1);
  expect(problems.map(({ row, message }) => [row, message.slice(0, 60)])).toEqual([
    [3, 'This price is in CAD, and those of Overseas are in EUR. Say '],
    [4, 'This price is in EUR, and those of Wholesaler are in CAD. Sa'],
  ]);
  const filled = withPrices(book, readPriceTable(rows.slice(0, 2), companyItems, book, ''), id);
  expect(priceTable(filled, companyItems)[1]).toContain('EUR');
});
