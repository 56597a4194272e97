import { describe, expect, it } from 'vitest';
import { type Item, itemSchema } from '../../equipment/index.js';
import { emptyHead } from '../../equipment/details.js';
import type { MaterialIs, MaterialLine } from '../../wiring/index.js';
import { emptyPriceBook, emptyPriceList, type PriceBook } from '../prices/price-book.schema.js';
import { pricedMaterial } from './priced-material.js';

const item = (id: string, of: object): Item => itemSchema.parse({ ...emptyHead, id, name: id, ...of });
const conductor = (id: string, size: string, soldByM: number | null = null): Item =>
  item(id, { kind: 'conductor', ratings: { size, metal: 'copper', cores: 1, insulationC: 90, soldByM } });
const breaker = (id: string, breakerA: number, breakerPoles: number): Item =>
  item(id, {
    kind: 'breaker',
    ratings: { breakerA, breakerPoles, family: null, curve: null, protects: null, interruptsA: null },
  });
const items: readonly Item[] = [
  conductor('six', '6awg'),
  conductor('six-coil', '6 AWG', 50),
  conductor('sixteen', '16 mm2'),
  breaker('b60', 60, 2),
  breaker('b60-single', 60, 1),
  item('tube', { kind: 'conduit', ratings: { tradeSize: '1 1/4 in', material: 'steel', pieceM: 3 } }),
];
const book: PriceBook = {
  ...emptyPriceBook('USD'),
  lists: [
    {
      ...emptyPriceList('one', 'One'),
      discount: 0.1,
      prices: [
        { itemId: 'six', net: '3.99' },
        { itemId: 'six-coil', net: '1.50' },
        { itemId: 'sixteen', net: '2.20' },
        { itemId: 'b60', net: '48.00' },
        { itemId: 'b60-single', net: '9.00' },
        { itemId: 'tube', net: '21.35' },
      ],
    },
  ],
};
const line = (is: MaterialIs, quantity: number, unit: MaterialLine['unit'] = 'm'): MaterialLine => ({
  kind: 'conductors',
  name: is.kind,
  is,
  quantity,
  unit,
  where: [],
});
const amounts = (...lines: MaterialLine[]) =>
  pricedMaterial(lines, items, book).lines.map(({ amount }) => amount);
const six: MaterialIs = { kind: 'conductor', size: '6 AWG', material: 'copper' };

describe('the material of a wiring at the prices of a list', () => {
  it('takes the item that comes cheapest, whole coils and all', () => {
    // 12 m by the metre: 12 × 3.99 × 0.9 = 43.09; a coil of 50 m: 50 × 1.50 × 0.9 = 67.50.
    expect(amounts(line(six, 12))).toEqual(['43.09']);
    // 60 m: 215.46 by the metre, two coils 135.00.
    expect(pricedMaterial([line(six, 60)], items, book).lines).toMatchObject([
      { item: 'six-coil', bought: 100, amount: '135.00' },
    ]);
  });

  it('counts conduit by the piece, reads sizes as people write them, and takes no breaker of other poles', () => {
    // 10 m are four pieces of 3 m: 4 × 21.35 × 0.9 = 76.86.
    expect(
      amounts(
        line({ kind: 'conduit', size: '1¼ in' }, 10),
        line({ kind: 'breaker', ratingA: 60, poles: 2, family: '' }, 1, 'count'),
        line({ kind: 'conductor', size: '16 mm²', material: 'copper' }, 10),
      ),
    ).toEqual(['76.86', '43.20', '19.80']);
  });

  it('adds up to the cent, and names what has no price', () => {
    const found = pricedMaterial(
      [
        line(six, 12),
        line({ kind: 'conduit', size: '1¼ in' }, 10),
        line({ kind: 'fuse', ratingA: 200 }, 2, 'count'),
      ],
      items,
      book,
    );
    expect([found.total, found.missing]).toEqual(['119.95', ['fuse']]);
    const aluminium: MaterialIs = { kind: 'conductor', size: '6 AWG', material: 'aluminium' };
    expect(
      amounts(line(aluminium, 5), line({ kind: 'breaker', ratingA: 60, poles: 3, family: '' }, 1, 'count')),
    ).toEqual([null, null]);
  });

  it('takes a breaker of the family the panel is listed for, and what has no ratings by its name', () => {
    const more: readonly Item[] = [
      ...items,
      item('b60-sorrel', {
        kind: 'breaker',
        ratings: {
          breakerA: 60,
          breakerPoles: 2,
          family: 'Sorrel',
          curve: null,
          protects: null,
          interruptsA: null,
        },
      }),
      item('lug', { name: 'Lug for 2/0 AWG Cu', kind: 'other', ratings: {} }),
    ];
    const priced: PriceBook = {
      ...book,
      lists: book.lists.map((list) => ({
        ...list,
        prices: [...list.prices, { itemId: 'b60-sorrel', net: '20.00' }, { itemId: 'lug', net: '6.00' }],
      })),
    };
    const itemsOf = (family: string) =>
      pricedMaterial(
        [
          line({ kind: 'breaker', ratingA: 60, poles: 2, family }, 1, 'count'),
          { ...line({ kind: 'other' }, 4, 'count'), name: 'Lug for 2/0 AWG  Cu' },
          { ...line({ kind: 'other' }, 4, 'count'), name: 'Lug for 3/0 AWG Cu' },
        ],
        more,
        priced,
      ).lines.map(({ item: name, working }) => [name, working]);
    // 20.00 is less than 48.00; a panel for another family takes the one that says nothing of its own.
    expect(itemsOf('sorrel')[0]).toEqual(['b60-sorrel', '1 × 20.00 less 10 %, One']);
    expect(itemsOf('Tansy')[0]![0]).toBe('b60');
    expect(itemsOf('').map(([name]) => name)).toEqual(['b60-sorrel', 'Lug for 2/0 AWG Cu', null]);
  });
});
