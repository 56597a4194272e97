import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { coincidentDemandVA, DemandDistribution } from '../../electric/index.js';
import type { Load } from '../../house/index.js';
import {
  aLoad,
  allSeasons,
  arbitraryLoad,
  arbitrarySystem,
  aroundTheClock,
} from '../../house/testing/loads.js';
import { powerDemand } from './power-demand.js';

const switched = fc.record({
  powerVA: fc.double({ min: 0, max: 4000, noNaN: true }),
  onShare: fc.double({ min: 0, max: 1, noNaN: true }),
});
const quantile = (loads: readonly { powerVA: number; onShare: number }[], share: number): number =>
  coincidentDemandVA(
    loads.map(({ powerVA }) => powerVA),
    loads.map(({ onShare }) => onShare),
    share,
  );

/** Every combination of on and off, exactly. */
const enumerated = (loads: readonly { powerVA: number; onShare: number }[], share: number): number => {
  const outcomes = Array.from({ length: 2 ** loads.length }, (_, mask) =>
    loads.reduce(
      ({ p, va }, { powerVA, onShare }, i) =>
        mask & (1 << i) ? { p: p * onShare, va: va + powerVA } : { p: p * (1 - onShare), va },
      { p: 1, va: 0 },
    ),
  ).toSorted((a, b) => a.va - b.va);
  let sum = 0;
  return outcomes.find(({ p }) => (sum += p) >= share - 1e-9)?.va ?? outcomes.at(-1)!.va;
};

describe('distribution of demand', () => {
  it('agrees with every combination enumerated, where powers are whole bins', () => {
    const whole = fc.record({
      powerVA: fc.integer({ min: 0, max: 60 }).map((n) => n * 50),
      onShare: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(whole, { maxLength: 9 }),
        fc.constantFrom(0.5, 0.9, 0.95, 0.999),
        (loads, share) => {
          expect(quantile(loads, share)).toBeCloseTo(enumerated(loads, share), 6);
        },
      ),
    );
  });

  it('agrees with a Monte Carlo draw of many loads', () => {
    const loads = Array.from({ length: 40 }, (_, i) => ({
      powerVA: 37 * (i + 1),
      onShare: ((i * 7) % 10) / 10,
    }));
    // A linear congruential generator: the same draw every time.
    let state = 12_345;
    const random = () => (state = (state * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31;
    const draws = Array.from({ length: 20_000 }, () =>
      loads.reduce((sum, { powerVA, onShare }) => (random() < onShare ? sum + powerVA : sum), 0),
    ).toSorted((a, b) => a - b);
    expect(Math.abs(quantile(loads, 0.95) / draws[Math.floor(0.95 * draws.length)]! - 1)).toBeLessThan(0.01);
  });

  it('keeps the mean', () => {
    fc.assert(
      fc.property(fc.array(switched, { maxLength: 20 }), (loads) => {
        const mean = DemandDistribution.of(
          loads.map(({ powerVA }) => powerVA),
          loads.map(({ onShare }) => onShare),
        ).meanVA();
        const expected = loads.reduce((sum, { powerVA, onShare }) => sum + powerVA * onShare, 0);
        expect(mean).toBeCloseTo(expected, 3);
      }),
    );
  });

  it('never falls when a load joins, and never passes the plain sum by more than rounding', () => {
    fc.assert(
      fc.property(
        fc.array(switched, { maxLength: 15 }),
        switched,
        fc.constantFrom(0.5, 0.95, 0.999),
        (loads, more, share) => {
          const before = quantile(loads, share);
          const after = quantile([...loads, more], share);
          expect(after).toBeGreaterThanOrEqual(before - 1e-6);
          expect(after).toBeLessThanOrEqual(quantile([...loads, more], 1) + 50 * (loads.length + 1));
        },
      ),
    );
  });
});

describe('power of a set', () => {
  const all = allSeasons(aroundTheClock);

  // Common practice, no source: two kitchen appliances on one leg can exceed a small inverter that carries their sum easily.
  it('shows two kitchen appliances on one leg', () => {
    const kettle = aLoad({ id: 'k', runningPowerW: 1500, use: all, legs: 'L1' });
    const toaster = aLoad({ id: 't', runningPowerW: 1200, use: all, legs: 'L1' });
    const power = powerDemand('split-120-240', [kettle, toaster], 1);
    expect(power.coincident.powerVA).toBe(2700);
    expect(power.byLeg.map(({ powerVA }) => powerVA)).toEqual([2700, 0]);
    expect(power.neutral.powerVA).toBe(2700);
  });

  // Common practice, no source: 10 kW in three phases is 3.33 kW for any plug-in load.
  it('puts a third of a three-phase load on each phase', () => {
    const load = aLoad({ runningPowerW: 10_000, use: all, legs: 'L1-L2-L3' });
    const power = powerDemand('three-230-400', [load], 1);
    expect(power.byLeg.map(({ powerVA }) => Math.round(powerVA))).toEqual([3333, 3333, 3333]);
    expect(power.neutral.powerVA).toBe(0);
  });

  it('leaves loads out that never run together', () => {
    const heater = aLoad({
      id: 'h',
      runningPowerW: 2000,
      use: { ...allSeasons({ nightH: 0, morningH: 0, dayH: 0, eveningH: 0 }), winter: aroundTheClock },
    });
    const cooler = aLoad({
      id: 'c',
      runningPowerW: 3000,
      use: { ...allSeasons({ nightH: 0, morningH: 0, dayH: 0, eveningH: 0 }), summer: aroundTheClock },
    });
    const { allAtOnce } = powerDemand('split-120-240', [heater, cooler], 1);
    expect(allAtOnce).toEqual({ powerVA: 3000, season: 'summer', part: 'night' });
  });

  it('starts one piece on top of its siblings and everything else', () => {
    const pumps = aLoad({
      id: 'p',
      quantity: 2,
      runningPowerW: 500,
      use: all,
      legs: 'L1-L2',
      start: { how: 'multiple', multiple: 4, durationS: 1 },
    });
    const light = aLoad({ id: 'l', runningPowerW: 300, use: all, legs: 'L2' });
    const [start] = powerDemand('split-120-240', [pumps, light], 1).starts;
    expect(start).toMatchObject({
      startVA: 2000,
      besideVA: 800,
      totalVA: 2800,
      leg: 'L2',
      legVA: 1000 + 250 + 300,
    });
  });

  it('takes a surge that vanishes in floating point for none', () => {
    const tiny = aLoad({
      legs: 'L1-L2',
      runningPowerW: Number.MIN_VALUE,
      powerFactor: 0.6666666666666667,
      start: { how: 'multiple', multiple: 1, durationS: 0.1 },
    });
    expect(powerDemand('split-120-240', [tiny], 0.999).starts).toEqual([]);
  });

  it('leaves out no start that could be the worst', () => {
    // The worst start over all starters, found the slow way.
    const worst = (
      system: Parameters<typeof powerDemand>[0],
      loads: readonly Load[],
      share: number,
    ): number =>
      Math.max(
        0,
        ...loads.flatMap((load) =>
          powerDemand(
            system,
            [
              ...loads.map((other) =>
                other === load ? load : { ...other, start: { how: 'none' as const } },
              ),
            ],
            share,
          ).starts.map(({ totalVA }) => totalVA),
        ),
      );
    fc.assert(
      fc.property(
        arbitrarySystem.chain((system) =>
          fc.tuple(
            fc.constant(system),
            fc.uniqueArray(arbitraryLoad(system), { maxLength: 6, selector: ({ id }) => id }),
          ),
        ),
        fc.constantFrom(0.95, 1),
        ([system, loads], share) => {
          const found = Math.max(
            0,
            ...powerDemand(system, loads, share).starts.map(({ totalVA }) => totalVA),
          );
          expect(found).toBeCloseTo(worst(system, loads, share), 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
