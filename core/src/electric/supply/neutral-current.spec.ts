import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lagOf, type LegReturn, worstNeutralVA } from './neutral-current.js';

const legs = ['L1', 'L2', 'L3'] as const;
const same = { least: 0, most: 0 };

describe('the neutral at its worst', () => {
  it('is the busiest leg alone where all lag alike: 180° or 120° apart they only cancel', () => {
    const of = (...powers: number[]): LegReturn[] => powers.map((powerVA, i) => ({ leg: legs[i]!, powerVA }));
    expect(worstNeutralVA('split-120-240', of(2400, 1200), same)).toBe(2400);
    expect(worstNeutralVA('two-legs-120-208', of(2400, 2400), same)).toBe(2400);
    expect(worstNeutralVA('three-230-400', of(4600, 4600, 2000), same)).toBe(4600);
  });

  // By hand: 20 A at unity on L1 and 20 A lagging 60° on L3 (voltage 120° ahead): 60° apart, 20 · √3 A.
  it('is more in a star with unequal power factors: 34.6 A where each leg carries 20 A', () => {
    const returns: LegReturn[] = [
      { leg: 'L1', powerVA: 20 * 230 },
      { leg: 'L3', powerVA: 20 * 230 },
    ];
    const worstA = worstNeutralVA('three-230-400', returns, { least: 0, most: lagOf(0.5) }) / 230;
    expect(worstA).toBeGreaterThanOrEqual(20 * Math.sqrt(3) - 1e-9);
    expect(worstA).toBeLessThan(20 * Math.sqrt(3) * 1.002);
  });

  it('is more in split phase, too: 28.3 A of 20 A and 20 A, one of them a pure reactance', () => {
    const returns: LegReturn[] = [
      { leg: 'L1', powerVA: 2400 },
      { leg: 'L2', powerVA: 2400 },
    ];
    const worstA = worstNeutralVA('split-120-240', returns, { least: 0, most: Math.PI / 2 }) / 120;
    expect(worstA).toBeCloseTo(20 * Math.SQRT2, 1);
  });

  it('is never passed by any combination of loads, with any lag they have', () => {
    const load = fc.record({
      leg: fc.constantFrom(...legs),
      powerVA: fc.double({ min: 0, max: 4000, noNaN: true }),
      powerFactor: fc.double({ min: 0.1, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(load, { minLength: 1, maxLength: 8 }), (loads) => {
        const returns = legs.map((leg) => ({
          leg,
          powerVA: loads.reduce((sum, one) => sum + (one.leg === leg ? one.powerVA : 0), 0),
        }));
        const lags = loads.map(({ powerFactor }) => lagOf(powerFactor));
        const worst = worstNeutralVA('three-230-400', returns, {
          least: Math.min(...lags),
          most: Math.max(...lags),
        });
        for (let set = 0; set < 2 ** loads.length; set += 1) {
          let [re, im] = [0, 0];
          loads.forEach(({ leg, powerVA }, i) => {
            if (Math.floor(set / 2 ** i) % 2 === 0) return;
            const angle = (-legs.indexOf(leg) * 2 * Math.PI) / 3 - lags[i]!;
            re += powerVA * Math.cos(angle);
            im += powerVA * Math.sin(angle);
          });
          expect(Math.hypot(re, im)).toBeLessThanOrEqual(worst * (1 + 1e-9) + 1e-9);
        }
      }),
      { numRuns: 50 },
    );
  });
});
