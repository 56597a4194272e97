import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { phasorSumVA } from './phasor-sum.js';

describe('a sum with phase angles', () => {
  // Textbook triangle: 3 W and 4 var make 5 VA.
  it('is Pythagoras', () => {
    expect(
      phasorSumVA([
        { powerVA: 3, powerFactor: 1 },
        { powerVA: 4, powerFactor: 0 },
      ]),
    ).toBeCloseTo(5, 12);
  });
  it('is the plain sum at one angle, and never more', () => {
    const phasor = fc.record({
      powerVA: fc.double({ min: 0, max: 1e5, noNaN: true }),
      powerFactor: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(phasor, { maxLength: 8 }), (loads) => {
        const plain = loads.reduce((sum, { powerVA }) => sum + powerVA, 0);
        expect(phasorSumVA(loads)).toBeLessThanOrEqual(plain * (1 + 1e-9) + 1e-9);
        const aligned = loads.map(({ powerVA }) => ({ powerVA, powerFactor: 0.8 }));
        expect(phasorSumVA(aligned)).toBeCloseTo(plain, 4);
      }),
    );
  });
});
