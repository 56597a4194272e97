import { Big } from 'big.js';
import { describe, expect, it } from 'vitest';
import {
  chooseFor,
  demoPlans,
  type Island,
  islandsOf,
  type Plan,
  type ServiceBackup,
} from '../../design/index.js';
import { aHouse } from '../../design/testing/house.js';
import {
  assembleStack,
  builtInCatalogue,
  type Item,
  sampleLine,
  type StackPart,
} from '../../equipment/index.js';
import { aLoad } from '../../house/testing/loads.js';
import { materialOf } from '../../wiring/index.js';
import { demoBook, demoItems } from '../demo/demo-book.js';
import { emptyPriceBook, emptyPriceList, type PriceBook } from '../prices/price-book.schema.js';
import { pricer } from './pricer.js';

const units: readonly StackPart[] = [{ unitId: 'madder-47', quantity: 1 }];
const stackFor = (plan: Plan, parts: readonly StackPart[] = units) => {
  const assembled = assembleStack(parts, builtInCatalogue, plan.supply.system);
  if (!assembled.ok) throw new Error(assembled.problem);
  return assembled.stack;
};

describe('the price of a house with two islands', () => {
  const backed = (serviceId: string): Partial<ServiceBackup> & { serviceId: string } => ({
    serviceId,
    school: 'service',
    isolatingDevice: 'contactor',
    isolatingRatingA: 200,
  });
  const plan = aHouse(
    {
      s: [{ loads: [aLoad({ id: 'one', tier: 'must' })] }],
      t: [{ loads: [aLoad({ id: 'two', tier: 'must' })] }],
    },
    {},
    [backed('s'), backed('t')],
  );
  const book: PriceBook = {
    ...emptyPriceBook('USD'),
    lists: [{ ...emptyPriceList('a', 'Wholesaler'), prices: [{ itemId: 'madder-47', net: '1000.00' }] }],
  };
  const price = pricer(sampleLine, book);

  it('is that of both, whichever is looked at, and says for which nothing is chosen', () => {
    const [first, second] = islandsOf(plan) as [Island, Island];
    const unitsIn = (total: ReturnType<typeof price>) =>
      total.lines.find(({ label }) => label === 'Madder 47')?.working;
    const one = price(plan, first, stackFor(plan));
    expect(unitsIn(one)).toBe('1 × 1000.00, Wholesaler');
    expect(one.missing).toContain(`Units for ${second.services[0]!.name}`);
    const both = chooseFor(plan, second, [{ unitId: 'madder-47', quantity: 2 }]);
    expect(unitsIn(price(both, first, stackFor(plan)))).toBe('3 × 1000.00, Wholesaler');
    const chosen = chooseFor(both, first, units);
    const other = price(chosen, second, stackFor(plan, [{ unitId: 'madder-47', quantity: 2 }]));
    expect(other).toEqual(price(chosen, first, stackFor(plan)));
    // Units that are there already serve one island only.
    const had = { ...chosen, existingUnits: [{ unitId: 'madder-47', quantity: 2 }] };
    expect(unitsIn(price(had, first, stackFor(plan)))).toBe('1 × 1000.00, Wholesaler');
  });
});

describe('the price of a design that is wired', () => {
  const [{ plan }] = demoPlans as [(typeof demoPlans)[0]];
  const island = islandsOf(plan)[0]!;
  const stack = stackFor(plan, [
    { unitId: 'madder-47', quantity: 2 },
    { unitId: 'madder-pack', quantity: 2 },
  ]);
  const material = materialOf(plan, () => stack);
  const items: readonly Item[] = [...sampleLine, ...demoItems];

  it('has its material line by line instead of wire by length, and adds up', () => {
    const price = pricer(items, demoBook);
    const [rough, wired] = [price(plan, island, stack), price(plan, island, stack, material)];
    expect([rough.estimatedWire === null, wired.estimatedWire]).toEqual([false, null]);
    expect(wired.lines.filter(({ label }) => label.startsWith('Wire and conduit'))).toEqual([]);
    const sum = wired.lines.reduce((total, { amount }) => total.plus(amount), new Big(0));
    expect(sum.toFixed(2)).toBe(new Big(wired.afterIncentives).toFixed(2));
    const lines = new Set(wired.lines.map(({ label }) => label));
    // Every line is there with a price, or named as missing.
    for (const { name } of material) expect(lines.has(name) || wired.missing.includes(name)).toBe(true);
  });

  it('counts wire by length where the lists price no conductor, and names none of them as missing', () => {
    const bare: PriceBook = {
      ...demoBook,
      lists: demoBook.lists.map((list) => ({
        ...list,
        prices: list.prices.filter(({ itemId }) => !/^(wire|tube)-/.test(itemId)),
      })),
    };
    const price = pricer(items, bare)(plan, island, stack, material);
    expect(price.estimatedWire).toBe(pricer(items, bare)(plan, island, stack).estimatedWire);
    const wires = material.filter(({ is }) => is.kind === 'conductor' || is.kind === 'conduit');
    expect(wires.length).toBeGreaterThan(0);
    for (const { name } of wires) expect(price.missing).not.toContain(name);
  });
});
