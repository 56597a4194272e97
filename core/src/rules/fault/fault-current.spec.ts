import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { conductorSizes } from '../../electric/index.js';
import { largestLoopOhm, largestRcdLoopOhm, opensAtOnce } from './disconnection.js';
import { faultAfterRunA, transformerFaultA } from './fault-current.js';

describe('fault current', () => {
  const fifty = { kVA: 50, voltageV: 240, impedanceShare: 0.02, phases: 1 } as const;
  it('50 kVA, 240 V, 2 %: 10.4 kA, 11.6 kA with its tolerance', () => {
    expect(transformerFaultA(fifty)).toBeCloseTo(10_417, 0);
    expect(transformerFaultA(fifty, 0.1)).toBeCloseTo(11_574, 0);
  });

  it('the point-to-point method by hand: 30 m of 4/0 copper', () => {
    // f = 2 · 98.4 · 10,417 / (15,082 · 240) = 0.5665; M = 0.6384.
    const after = faultAfterRunA(
      10_417,
      { size: '4/0 AWG', material: 'copper' },
      {
        lengthM: 30,
        voltageV: 240,
        phases: 1,
      },
    );
    expect(after / 10_417).toBeCloseTo(0.638, 3);
  });

  it('only falls along a run, and never to nothing', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...conductorSizes),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        fc.double({ min: 500, max: 50_000, noNaN: true }),
        (size, lengthM, atStartA) => {
          const run = { lengthM, voltageV: 240, phases: 1 } as const;
          const after = faultAfterRunA(atStartA, { size, material: 'copper' }, run);
          expect(after).toBeLessThan(atStartA);
          expect(after).toBeGreaterThan(0);
          const twice = faultAfterRunA(after, { size, material: 'copper' }, run);
          const long = faultAfterRunA(
            atStartA,
            { size, material: 'copper' },
            { ...run, lengthM: 2 * lengthM },
          );
          // Two halves are one whole.
          expect(twice).toBeCloseTo(long, 6);
        },
      ),
    );
  });
});

describe('disconnection', () => {
  // BS 7671:2018, table 41.3, recalled.
  it.each([
    ['B', 6, 7.28],
    ['B', 16, 2.73],
    ['B', 20, 2.19],
    ['B', 32, 1.37],
    ['B', 40, 1.09],
    ['C', 32, 0.68],
  ] as const)('%s%i: %f Ω', (curve, ratingA, ohm) => {
    expect(largestLoopOhm(curve, ratingA).ohm).toBeCloseTo(ohm, 2);
  });
  it('B32 may be measured with 1.09 Ω cold; an RCD of 30 mA asks for 1,667 Ω', () => {
    expect(largestLoopOhm('B', 32).measuredOhm).toBeCloseTo(1.09, 2);
    expect(largestRcdLoopOhm(0.03)).toBeCloseTo(1667, 0);
  });
  it('an inverter of 5 kVA at twice its rating opens no B32', () => {
    expect(opensAtOnce('B', 32, 2 * (5000 / 230))).toBe(false);
    expect(opensAtOnce('B', 6, 2 * (5000 / 230))).toBe(true);
    expect(opensAtOnce('B', 32, 160)).toBe(true);
  });
});
