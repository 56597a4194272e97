import { describe, expect, it } from 'vitest';
import { assembleStack } from '../stacks/assemble-stack.js';
import { enumerateStacks } from '../stacks/enumerate-stacks.js';
import { sampleLine } from '../sample/sample-line.js';
import {
  clover,
  cloverPack,
  companyItems,
  daisy,
  ivyPack,
  rush,
  rushBlock,
  sedge,
} from '../testing/company-items.js';
import { catalogueOf } from './catalogue-of.js';
import { type Item, itemSchema } from './item.schema.js';
import { itemDoubts } from './item-doubts.js';
import { listProblems } from './list-problems.js';
import { unitOf } from './unit-of.js';

const catalogue = catalogueOf(companyItems);
const stackOf = (system: Parameters<typeof assembleStack>[2], ...parts: [string, number][]) =>
  assembleStack(
    parts.map(([unitId, quantity]) => ({ unitId, quantity })),
    catalogue,
    system,
  );
const stacked = (...of: Parameters<typeof stackOf>) => {
  const found = stackOf(...of);
  if (!found.ok) throw new Error(found.problem);
  return found.stack;
};
const sedgeRatings = () => {
  if (sedge.kind !== 'hybrid-inverter') throw new Error('another kind');
  return sedge.ratings;
};

describe('items', () => {
  it('are valid, and nothing about them cannot be', () => {
    for (const item of [...sampleLine, ...companyItems]) {
      expect(itemSchema.safeParse(item).error?.issues ?? [], item.name).toEqual([]);
      expect(
        itemDoubts(item).filter(({ refuses }) => refuses),
        item.name,
      ).toEqual([]);
    }
    expect(listProblems([...sampleLine, ...companyItems])).toEqual([]);
  });

  it('give the solar they take as the breaker allows: 40 A at 240 V, a quarter kept free, is 7.68 kW', () => {
    // 40 A for 7.6 kW: common practice, no source.
    expect(stacked('split-120-240', ['clover-68', 1]).solarAcW).toBe(7680);
  });

  it('lose each year what is not promised after ten', () => {
    expect(unitOf(clover)!.battery!.fadePerYear).toBeCloseTo(0.03, 12);
  });

  it('feed no more watts than they are rated for, though they carry more volt-amperes', () => {
    const stack = stacked('split-120-240', ['clover-68', 2]);
    expect(stack.continuousVA).toBe(13_600);
    expect(stack.batteryPowerW).toBe(13_000);
    expect(stack.batteryPeakW).toBeCloseTo((2 * 8100 * 6500) / 6800, 6);
  });

  it('share one bank of blocks in series, with charge controllers', () => {
    const bank = stacked('split-120-240', ['rush-44', 2], ['rush-block', 16], ['rush-controller', 3]);
    expect(bank.nameplateWh).toBe(16 * 6 * 390);
    expect(bank.solarDcW).toBe(3 * 4300);
    expect(bank.massKg).toBeNull();
    expect(stackOf('split-120-240', ['rush-44', 2], ['rush-block', 12])).toMatchObject({
      problem: 'Rush block comes in 8s, in series: take a multiple; there are 12.',
    });
    expect(stackOf('split-120-240', ['rush-44', 2], ['rush-block', 32])).toMatchObject({ ok: false });
    const sizes = enumerateStacks(catalogue, 'split-120-240')
      .filter(({ inverter, inverterQuantity }) => inverter.id === 'rush-44' && inverterQuantity === 2)
      .map(({ batteries }) => batteries[0]!.quantity);
    expect(sizes).toEqual([8, 16, 24]);
  });

  it('with missing ratings are used: what stands in is named, what a margin needs stays unknown', () => {
    const bare: Item = {
      ...sedge,
      kind: 'hybrid-inverter',
      ratings: {
        ...sedgeRatings(),
        transferGapMs: null,
        dischargeEfficiency: null,
        efficiencyAt: null,
        standbyW: null,
        retryTries: null,
      },
    };
    const unit = unitOf(bare)!;
    expect(unit.assumed).toEqual(['perLegVA', 'dischargeEfficiency', 'standbyW', 'retryTries']);
    expect(unit.inverter).toMatchObject({ transferGapMs: null, overload: [], retry: { tries: 0 } });
    expect(unit.inverter!.perLegVA).toBeCloseTo(9700 / 3, 6);
    expect(unitOf(rushBlock)!.assumed).toEqual(['usableWh']);
  });

  it('that are offered no longer are suggested no longer, and stay known', () => {
    const items = companyItems.map((item) => (item.id === daisy.id ? { ...item, retired: true } : item));
    const list = catalogueOf(items);
    expect(enumerateStacks(list, 'single-230')).toEqual([]);
    expect(assembleStack([{ unitId: daisy.id, quantity: 1 }], list, 'single-230').ok).toBe(true);
  });
});

describe('doubts', () => {
  const doubted = (item: Item) => itemDoubts(item).map(({ path, refuses }) => `${path}${refuses ? '!' : ''}`);
  const withRatings = (change: object): Item =>
    ({ ...clover, ratings: { ...clover.ratings, ...change } }) as Item;

  it.each([
    [{ continuousW: 7000 }, 'ratings.continuousW!'],
    [{ perLegVA: 3900 }, 'ratings.perLegVA'],
    [{ perLegVA: 7000 }, 'ratings.perLegVA!'],
    [{ overload: [{ apparentPowerVA: 6000, durationS: 3 }] }, 'ratings.overload!'],
    [
      {
        overload: [
          { apparentPowerVA: 9000, durationS: 10 },
          { apparentPowerVA: 8000, durationS: 2 },
        ],
      },
      'ratings.overload!',
    ],
    [{ usableWh: 15_000 }, 'ratings.usableWh!'],
    [{ nameplateWh: null, usableWh: null }, 'ratings.nameplateWh!'],
    [{ retentionYears: null }, 'ratings.retentionYears!'],
    [{ dischargeEfficiency: 0.99 }, 'ratings.dischargeEfficiency'],
    [{ systems: ['single-230'] }, 'ratings.systems!'],
    [{ ratedAh: 150 }, 'ratings.ratedAh'],
    [{ dischargePowerW: 5000, peakPowerW: 4000 }, 'ratings.peakPowerW!'],
  ])('%j is doubted', (change, path) => {
    expect(doubted(withRatings(change))).toEqual([path]);
  });

  it('are said of what stands between items', () => {
    expect(
      doubted({ ...clover, goesWith: [{ itemId: 'x', least: 3, most: 2, step: 1, per: 'each' }] }),
    ).toEqual(['goesWith!']);
    expect(
      doubted({ ...clover, goesWith: [{ itemId: 'x', least: 1, most: 3, step: 4, per: 'each' }] }),
    ).toEqual(['goesWith!']);
    expect(doubted({ ...ivyPack, massKg: 60 })).toEqual(['massKg']);
    const round = [
      { ...clover, needs: [] },
      {
        ...cloverPack,
        needs: [],
        goesWith: [{ itemId: clover.id, least: 1, most: 1, step: 1, per: 'each' as const }],
      },
    ];
    expect(listProblems(round)[0]!.message).toContain('Clover 68 → Clover pack → Clover 68');
    expect(listProblems([rush])[0]!.message).toContain('“rush-block”, which is not in the list');
    expect(listProblems([daisy, { ...daisy, id: 'other' }])[0]!.path).toBe('name');
  });
});
