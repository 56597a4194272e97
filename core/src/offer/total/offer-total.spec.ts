import { Big } from 'big.js';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { PartsList } from '../parts/parts-list.js';
import { minorPlaces, readDecimal } from '../../base/index.js';
import { lowestPrices } from './lowest-prices.js';
import { incentiveOf, offerTotal } from './offer-total.js';
import {
  emptyPriceBook,
  emptyPriceList,
  type Incentive,
  type PriceBook,
  priceBookSchema,
  type PriceList,
} from '../prices/price-book.schema.js';

const list = (prices: PriceList['prices'], change: Partial<PriceList> = {}): PriceList => ({
  ...emptyPriceList('one', 'Wholesaler'),
  prices,
  ...change,
});
const partsOf = (
  quantities: Readonly<Record<string, number>>,
  change: Partial<PartsList> = {},
): PartsList => ({
  parts: Object.entries(quantities).map(([itemId, quantity]) => ({
    itemId,
    name: itemId,
    quantity,
    why: '',
  })),
  work: [],
  wireM: 0,
  nameplateKWh: 20,
  solarKW: 0,
  ...change,
});

describe('what a parts list comes to', () => {
  it('60 lines with discount, delivery and 20 % tax add up to the cent by an independent sum in whole cents', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 1, max: 9_999_999 }), fc.integer({ min: 1, max: 40 })), {
          minLength: 60,
          maxLength: 60,
        }),
        fc.integer({ min: 0, max: 60 }),
        fc.integer({ min: 0, max: 99_999 }),
        (lines, discountPercent, deliveryCents) => {
          const cents = (n: number): string => `${Math.floor(n / 100)}.${String(n % 100).padStart(2, '0')}`;
          const book: PriceBook = {
            ...emptyPriceBook('EUR'),
            lists: [
              list(
                lines.map(([net], index) => ({ itemId: `i${index}`, net: cents(net) })),
                { discount: discountPercent / 100, delivery: cents(deliveryCents) },
              ),
            ],
            taxes: [{ id: 'vat', name: 'VAT', rate: 0.2, on: ['goods', 'labour', 'fees'] }],
          };
          const total = offerTotal(
            partsOf(Object.fromEntries(lines.map(([, quantity], index) => [`i${index}`, quantity]))),
            book,
          );
          // In whole hundredths of a cent, with integers alone: half up.
          const half = (hundredths: bigint): bigint => (hundredths + 50n) / 100n;
          const goods = lines.reduce(
            (sum, [net, quantity]) =>
              sum + half(BigInt(net) * BigInt(quantity) * BigInt(100 - discountPercent)),
            0n,
          );
          const net = goods + BigInt(deliveryCents);
          const tax = half(net * 20n);
          expect(total.missing).toEqual([]);
          expect(total.net).toBe(cents(Number(net)));
          expect(total.tax).toBe(cents(Number(tax)));
          expect(total.gross).toBe(cents(Number(net + tax)));
          const sum = total.lines.reduce((all, { amount }) => all.plus(amount), new Big(0));
          expect(sum.toFixed(2)).toBe(total.afterIncentives);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('takes the lowest price after discount, and names what has none', () => {
    const book: PriceBook = {
      ...emptyPriceBook('CAD'),
      lists: [
        list([
          { itemId: 'a', net: '100' },
          { itemId: 'b', net: '10' },
        ]),
        list([{ itemId: 'a', net: '110' }], { id: 'two', supplier: 'Other', discount: 0.12 }),
      ],
    };
    expect(lowestPrices(book).get('a')!.list.supplier).toBe('Other');
    const total = offerTotal(
      {
        ...partsOf({ a: 3, b: 2, c: 1 }),
        parts: [
          ...partsOf({ a: 3, b: 2, c: 1 }).parts,
          { itemId: null, name: 'Isolating device', quantity: 1, why: '' },
        ],
      },
      book,
    );
    expect(total.lines.map(({ label, amount }) => [label, amount])).toEqual([
      ['a', '290.40'],
      ['b', '20.00'],
    ]);
    expect(total.missing).toEqual(['c', 'Isolating device']);
  });

  it('a whole offer by hand', () => {
    const book: PriceBook = {
      ...emptyPriceBook('USD'),
      lists: [list([{ itemId: 'unit', net: '8000' }], { delivery: '250', deliveryFreeFrom: '20000' })],
      hourlyRate: '95',
      labour: [
        { task: 'unit-hung', hours: 4 },
        { task: 'circuit-moved', hours: 0.75 },
      ],
      wirePerM: '18.5',
      fees: [{ id: 'permit', name: 'Permit', amount: '320' }],
      contingency: 0.05,
      profit: { kind: 'margin', share: 0.2 },
      taxes: [{ id: 'sales', name: 'Sales tax', rate: 0.07, on: ['goods'] }],
      incentives: [
        { id: 'i', name: 'Share', who: 'owner', by: { kind: 'share', share: 0.3 }, cap: '5000', leastKWh: 3 },
      ],
    };
    const work: PartsList['work'] = [
      { task: 'unit-hung', count: 2, why: '' },
      { task: 'circuit-moved', count: 12, why: '' },
      { task: 'commissioning', count: 1, why: '' },
    ];
    const total = offerTotal(partsOf({ unit: 2 }, { work, wireM: 4 }), book);
    // Goods 16,000 + 74, delivery 250; labour 760 + 855; contingency 5 % of 17,939; cost 18,835.95; price 23,544.94 at a margin of a fifth.
    expect(total.lines.map(({ group, amount }) => `${group} ${amount}`)).toEqual([
      'goods 16000.00',
      'goods 74.00',
      'delivery 250.00',
      'labour 760.00',
      'labour 855.00',
      'contingency 896.95',
      'profit 4708.99',
      'fees 320.00',
      // On goods and delivery with their share of contingency and margin: 23,544.94 × 16,324 / 17,939 = 21,425.26.
      'tax 1499.77',
      'incentive -5000.00',
    ]);
    expect(total).toMatchObject({ net: '23544.94', gross: '25364.71', afterIncentives: '20364.71' });
  });

  it('has no decimals in a currency without', () => {
    expect(minorPlaces('JPY')).toBe(0);
    const book = { ...emptyPriceBook('JPY'), lists: [list([{ itemId: 'a', net: '99.5' }])] };
    expect(offerTotal(partsOf({ a: 3 }), book).net).toBe('299');
  });

  it('refuses negative prices and currencies that are none', () => {
    const refused = (change: object) =>
      !priceBookSchema.safeParse({ ...emptyPriceBook('EUR'), ...change }).success;
    expect(refused({})).toBe(false);
    expect(refused({ hourlyRate: '-5' })).toBe(true);
    expect(refused({ currency: 'QQQ' })).toBe(true);
    expect(refused({ lists: [list([{ itemId: 'a', net: '1e5' }])] })).toBe(true);
  });
});

describe('an incentive by steps of energy', () => {
  const steps: Incentive = {
    id: 'i',
    name: 'Storage grant',
    who: '',
    by: {
      kind: 'energy',
      steps: [
        { upToKWh: 10, perKWh: '400' },
        { upToKWh: 20, perKWh: '150' },
      ],
    },
    cap: '5200',
    leastKWh: 4,
  };
  it.each([
    [3.9, '0'],
    [4, '1600'],
    [9.9, '3960'],
    [10, '4000'],
    [10.1, '4015'],
    [17.9, '5185'],
    [18, '5200'],
    [20, '5200'],
    [90, '5200'],
  ])('%d kWh gives %s', (kWh, amount) => {
    expect(incentiveOf(steps, kWh, new Big(100_000)).toString()).toBe(amount);
  });
  it('is never more than the price', () => {
    expect(incentiveOf(steps, 12, new Big(900)).toString()).toBe('900');
  });
});

describe('amounts as people write them', () => {
  it.each([
    ['1,234.50', '1234.50'],
    ['1.234,5', '1234.5'],
    ['1 234', '1234'],
    ['€ 900', '900'],
    ['CAD 1,250', '1250'],
    ["12'500.00", '12500.00'],
    ['0.5', '0.5'],
    ['1,234', '1234'],
    // No thousand begins with nought.
    ['0,1234', '0.1234'],
    ['-5', null],
    ['much', null],
    ['', null],
  ])('%s is %s', (text, amount) => {
    expect(readDecimal(text)).toBe(amount);
  });
});

describe('solar', () => {
  const solarOf = (solarPerKW: string) =>
    offerTotal(
      { parts: [], work: [], wireM: 0, nameplateKWh: 0, solarKW: 4.2 },
      { ...emptyPriceBook('CAD'), solarPerKW },
    );
  it('is priced by the kilowatt, and named where it has no price', () => {
    expect(solarOf('1650')).toMatchObject({ gross: '6930.00', missing: [] });
    expect(solarOf('0')).toMatchObject({ gross: '0.00', missing: ['Solar array, 4.2 kW'] });
  });
});

describe('a supplier in another currency', () => {
  const price = { itemId: 'a', net: '1000' };
  const far: PriceList = {
    ...emptyPriceList('far', 'Overseas'),
    currency: 'EUR',
    rate: '1.4725',
    discount: 0.1,
    delivery: '80',
    deliveryFreeFrom: '2000',
    prices: [price],
  };
  const near: PriceList = { ...emptyPriceList('near', 'Near'), prices: [{ itemId: 'a', net: '1400' }] };
  const totalOf = (quantity: number, lists: PriceList[] = [far]) =>
    offerTotal(
      {
        parts: [{ itemId: 'a', name: 'A', quantity, why: '' }],
        work: [],
        wireM: 0,
        nameplateKWh: 0,
        solarKW: 0,
      },
      { ...emptyPriceBook('CAD'), lists },
    );

  it('is reckoned at its rate, discount and delivery too', () => {
    // 1,000 × 1.4725 × 0.9 = 1,325.25; 80 × 1.4725 = 117.80.
    const { lines, gross } = totalOf(1);
    expect(lines.map(({ amount }) => amount)).toEqual(['1325.25', '117.80']);
    expect(lines[0]!.working).toContain('1 × 1000 EUR × 1.4725 less 10 %');
    expect(gross).toBe('1443.05');
    // Free from 2,000 EUR, which is 2,945 CAD: three pieces come to 3,975.75.
    expect(totalOf(2).lines).toHaveLength(2);
    expect(totalOf(3).lines).toHaveLength(1);
  });

  it('is compared with others in the company’s currency', () => {
    expect(totalOf(1, [near, far]).lines[0]!.working).toContain('Overseas');
    expect(totalOf(1, [{ ...far, rate: '1.6' }, near]).lines[0]!.working).toContain('Near');
  });
});
