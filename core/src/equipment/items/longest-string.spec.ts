import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import { longestString } from './longest-string.js';

it('a string by hand: 41.3 V, −0.253 % a degree, −20 °C', () => {
  // 41.3 × (1 + 0.00253 × 45) = 46.0020 V; 600 ÷ 46.002 = 13.04, 46.002 × 13 = 598.03.
  const { modules, moduleV } = longestString(41.3, -0.00253, -20, 600);
  expect(moduleV).toBeCloseTo(46.002, 3);
  expect(modules).toBe(13);
  expect(longestString(41.3, -0.00253, 25, 600).modules).toBe(14);
});

it('never passes what the input bears, and one more would', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 20, max: 60, noNaN: true }),
      fc.double({ min: -0.004, max: 0, noNaN: true }),
      fc.double({ min: -40, max: 25, noNaN: true }),
      fc.double({ min: 100, max: 1500, noNaN: true }),
      (openCircuitV, voltagePerC, coldestC, mostDcV) => {
        const { modules, moduleV } = longestString(openCircuitV, voltagePerC, coldestC, mostDcV);
        expect(modules * moduleV).toBeLessThanOrEqual(mostDcV * (1 + 1e-6));
        expect((modules + 1) * moduleV).toBeGreaterThan(mostDcV);
      },
    ),
  );
});
