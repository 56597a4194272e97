import { describe, expect, it } from 'vitest';
import { demoPlans, islandsOf, usualGenerator } from '../../design/index.js';
import { assembleStack, builtInCatalogue, sampleLine } from '../../equipment/index.js';
import { clover, cloverPack, companyItems, sedgeModule } from '../../equipment/testing/company-items.js';
import { demoItems } from '../demo/demo-book.js';
import { partsOf } from './parts-of.js';
import { withNeeds } from './with-needs.js';

const byId = new Map(companyItems.map((item) => [item.id, item]));
const counted = (units: Parameters<typeof withNeeds>[0]) =>
  Object.fromEntries(withNeeds(units, byId).map(({ itemId, quantity }) => [itemId, quantity]));

describe('what stands beside units', () => {
  it('is counted for each so many, begun ones too, and once for the system', () => {
    expect(counted([{ itemId: clover.id, quantity: 3 }])).toEqual({ 'clover-68': 3, 'clover-hub': 1 });
    // Two leads for each three modules.
    expect(counted([{ itemId: sedgeModule.id, quantity: 4 }])).toEqual({
      'sedge-module': 4,
      'clover-lead': 4,
    });
  });
  it('adds up what several need', () => {
    expect(
      counted([
        { itemId: cloverPack.id, quantity: 2 },
        { itemId: sedgeModule.id, quantity: 3 },
      ]),
    ).toEqual({ 'clover-pack': 2, 'sedge-module': 3, 'clover-lead': 4 });
  });
});

describe('the parts of a design', () => {
  const [{ plan }] = demoPlans as [(typeof demoPlans)[0]];
  const island = islandsOf(plan)[0]!;
  const assembled = assembleStack(
    [
      { unitId: 'madder-47', quantity: 2 },
      { unitId: 'madder-pack', quantity: 2 },
    ],
    builtInCatalogue,
    plan.supply.system,
  );
  if (!assembled.ok) throw new Error(assembled.problem);
  const { parts, work, wireM } = partsOf(
    plan,
    [{ island, stack: assembled.stack }],
    new Map(sampleLine.map((item) => [item.id, item])),
    () => null,
  );

  it('follow from what was designed: the farmhouse has a loads panel for thirteen circuits beside the old one', () => {
    expect(parts.map(({ name, quantity }) => `${quantity} × ${name}`)).toEqual([
      '2 × Madder 47',
      '2 × Madder pack',
      '1 × Loads panel, 24 spaces',
    ]);
    expect(work).toMatchObject([
      { task: 'unit-hung', count: 4 },
      { task: 'panel-set', count: 1 },
      { task: 'circuit-moved', count: plan.backup.lanes.filter(({ lane }) => lane !== 'dark').length },
      { task: 'wire-metre', count: 1.5 },
      // The units hang in the garage: 1 ft through a wall counts three times, 4 ft on the surface once, and the way along the wall.
      { task: 'wire-metre', why: 'from the units to the panel, legs by their labour' },
      // A new array on the porch: through the attic and a trench.
      { task: 'wire-metre', why: 'from the units to the array, legs by their labour' },
      { task: 'commissioning', count: 1 },
    ]);
    const [, toPanel, toArray] = work.filter(({ task }) => task === 'wire-metre');
    const [ft, unit] = [0.3048, plan.placement.placed[0]!];
    const along = (fromM: number, atM: number): number =>
      Math.abs(unit.leftM - fromM) + Math.abs(unit.bottomM - atM);
    expect(toPanel!.count).toBeCloseTo(along(ft, 6 * ft) + 3 * ft + 4 * ft, 3);
    expect(toArray!.count).toBeCloseTo(along(ft, 8 * ft) + 1.6 * 18 * ft + 2.6 * 62 * ft, 3);
    expect(wireM).toBeCloseTo(1.5 + along(ft, 6 * ft) + 5 * ft + along(ft, 8 * ft) + 80 * ft, 3);
  });

  const partsWith = (change: Partial<typeof plan>) =>
    partsOf(
      { ...plan, ...change },
      [{ island, stack: assembled.stack }],
      new Map([...sampleLine, ...demoItems].map((item) => [item.id, item])),
      (fits) => demoItems.find(fits) ?? null,
    );
  const namesOf = (list: readonly { readonly name: string; readonly quantity: number }[]) =>
    list.map(({ name, quantity }) => `${quantity} × ${name}`);

  it('has a generator that is new, large enough, and starts as it should', () => {
    const generator = usualGenerator('auto');
    const automatic = partsWith({ sources: { ...plan.sources, generator } });
    expect(namesOf(automatic.parts)).toContain('1 × Dock 88');
    expect(automatic.work).toContainEqual(expect.objectContaining({ task: 'generator-set', count: 1 }));
    const byHand = partsWith({ sources: { ...plan.sources, generator: usualGenerator('hand') } });
    expect(namesOf(byHand.parts)).toContain('1 × Dock 52');
    const there = partsWith({ sources: { ...plan.sources, generator: { ...generator, existing: true } } });
    expect(namesOf(there.parts).join()).not.toContain('Dock');
  });

  it('has new arrays by their kilowatts, and nothing the house has already', () => {
    expect(partsWith({}).solarKW).toBeCloseTo(2.6, 9);
    const had = partsWith({
      existingUnits: [
        { unitId: 'madder-47', quantity: 2 },
        { unitId: 'madder-pack', quantity: 1 },
      ],
    });
    expect(namesOf(had.parts).slice(0, 1)).toEqual(['1 × Madder pack']);
    expect(had.work).toContainEqual(expect.objectContaining({ task: 'unit-hung', count: 1 }));
  });
});
