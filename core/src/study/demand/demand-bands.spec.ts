import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DemandDistribution, differenceQuantile } from '../../electric/index.js';
import { dayParts, type Load, onShare, runningPowerVA } from '../../house/index.js';
import { aLoad, allSeasons, arbitraryLoad, aroundTheClock } from '../../house/testing/loads.js';
import { bandsByHour, demandBands } from './demand-bands.js';

const cycling = (id: string, runningPowerW: number, dutyCycle: number, changes: Partial<Load> = {}): Load =>
  aLoad({ id, runningPowerW, dutyCycle, powerFactor: 1, use: allSeasons(aroundTheClock), ...changes });

/** Every combination of on and off, one by one. */
const enumerate = (loads: readonly { va: number; share: number }[]): { va: number; p: number }[] => {
  let all = [{ va: 0, p: 1 }];
  for (const { va, share } of loads) {
    all = all.flatMap((one) => [
      { va: one.va, p: one.p * (1 - share) },
      { va: one.va + va, p: one.p * share },
    ]);
  }
  return all;
};

describe('running demand as a distribution', () => {
  it('is what enumerating every combination gives, on whole bins', () => {
    const some = fc.array(
      fc.record({
        va: fc.integer({ min: 1, max: 80 }).map((n) => n * 50),
        share: fc.double({ min: 0.02, max: 0.98, noNaN: true }),
      }),
      { minLength: 1, maxLength: 10 },
    );
    fc.assert(
      fc.property(some, fc.integer({ min: 0, max: 300 }), (loads, bins) => {
        const distribution = DemandDistribution.of(
          loads.map(({ va }) => va),
          loads.map(({ share }) => share),
        );
        const limitVA = bins * 50;
        const expected = enumerate(loads).reduce((sum, { va, p }) => sum + (va > limitVA ? p : 0), 0);
        expect(distribution.shareAbove(limitVA)).toBeCloseTo(expected, 9);
      }),
    );
  });

  it('without one of its loads is that of the others', () => {
    const some = fc.array(
      fc.record({
        va: fc.double({ min: 1, max: 6000, noNaN: true }),
        share: fc.oneof(fc.constant(1), fc.double({ min: 0.001, max: 0.999, noNaN: true })),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(some, fc.nat(), (loads, pick) => {
        const index = pick % loads.length;
        const powersVA = loads.map(({ va }) => va);
        const shares = loads.map(({ share }) => share);
        const rest = DemandDistribution.of(powersVA, shares).without(powersVA[index]!, shares[index]!);
        const anew = DemandDistribution.of(powersVA, shares, index);
        expect(rest === null).toBe(shares[index]! > 0.5 && shares[index]! < 1);
        if (!rest) return;
        for (const limitVA of [100, 900, 2500, 7000, 20_000]) {
          // Away from the edge of a bin by the rounding of the offset.
          expect(Math.abs(rest.shareAbove(limitVA + 0.01) - anew.shareAbove(limitVA + 0.01))).toBeLessThan(
            1e-10,
          );
        }
        for (const share of [0.5, 0.95, 0.999]) {
          expect(Math.abs(rest.quantileVA(share) - anew.quantileVA(share))).toBeLessThan(1e-6);
        }
      }),
    );
  });

  it('is what a Monte Carlo run gives for forty loads', () => {
    let seed = 7;
    const random = (): number => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return seed / 2 ** 32;
    };
    const loads = Array.from({ length: 40 }, (_, i) => ({ va: 60 + 37 * i, share: 0.05 + 0.9 * random() }));
    const distribution = DemandDistribution.of(
      loads.map(({ va }) => va),
      loads.map(({ share }) => share),
    );
    const runs = 40_000;
    const drawn = Array.from({ length: runs }, () =>
      loads.reduce((sum, { va, share }) => sum + (random() < share ? va : 0), 0),
    ).toSorted((a, b) => a - b);
    for (const share of [0.5, 0.95, 0.99]) {
      const sampled = drawn[Math.floor(share * runs)]!;
      expect(Math.abs(distribution.quantileVA(share) - sampled)).toBeLessThan(0.012 * sampled + 50);
    }
    expect(distribution.meanVA()).toBeCloseTo(
      loads.reduce((sum, { va, share }) => sum + va * share, 0),
      6,
    );
  });

  it('stands in order: mean below everything, median, 95 %, 99.9 %, everything at once', () => {
    fc.assert(
      fc.property(fc.array(arbitraryLoad('split-120-240'), { maxLength: 12 }), (loads) => {
        const bands = demandBands('split-120-240', loads, 'winter', [
          { part: 'whole', limitVA: 8000 },
          { part: 'L1', limitVA: 4000 },
          { part: 'L2', limitVA: 4000 },
          { part: 'battery', limitVA: 7000 },
        ]);
        for (const part of dayParts) {
          for (const band of bands.parts[part].bands) {
            expect(band.medianVA).toBeLessThanOrEqual(band.p95VA);
            expect(band.p95VA).toBeLessThanOrEqual(band.p999VA);
            expect(band.p999VA).toBeLessThanOrEqual(band.sumVA + 50 * (loads.length + 1));
            expect(band.meanVA).toBeLessThanOrEqual(band.sumVA + 1e-6);
          }
          const mean = loads.reduce(
            (sum, load) => sum + load.quantity * runningPowerVA(load) * onShare(load, 'winter', part),
            0,
          );
          const [whole, , , battery] = bands.parts[part].bands;
          expect(whole!.meanVA).toBeCloseTo(mean, 4);
          expect(battery!.sumVA).toBeLessThanOrEqual(whole!.sumVA + 1e-6);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('gives each hour the band of its part of the day', () => {
    const evening = { nightH: 0, morningH: 0, dayH: 0, eveningH: 6 };
    const bands = demandBands(
      'single-230',
      [cycling('lamp', 500, 1, { legs: 'L1', use: allSeasons(evening) })],
      'summer',
      [{ part: 'whole', limitVA: 400 }],
    );
    const above = bandsByHour(bands, ({ bands: [whole] }) => whole!.aboveLimit);
    expect(above.map((share) => (share > 0.5 ? 1 : 0)).join('')).toBe('000000000000000011111100');
  });

  it('the neutral carries the difference of two legs', () => {
    const on = (va: number, share: number) => DemandDistribution.of([va], [share]);
    expect(differenceQuantile(on(1000, 1), on(1000, 1), 0.999)).toBe(0);
    expect(differenceQuantile(on(1000, 1), on(400, 1), 0.999)).toBe(600);
    // Apart half of the time: 1000 and 0.
    expect(differenceQuantile(on(1000, 0.5), on(1000, 1), 0.49)).toBe(0);
    expect(differenceQuantile(on(1000, 0.5), on(1000, 1), 0.51)).toBe(1000);
  });
});
