import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BoundedDemand } from './bounded-demand.js';
import { DemandDistribution } from './demand-distribution.js';

const loads = fc.array(
  fc.record({
    powerVA: fc.double({ min: 0, max: 5000, noNaN: true }),
    share: fc.oneof(fc.double({ min: 0, max: 1, noNaN: true }), fc.constantFrom(0, 1)),
  }),
  { maxLength: 10 },
);

describe('a demand followed up to its limit', () => {
  it('is the whole distribution below it', () => {
    fc.assert(
      fc.property(loads, fc.double({ min: 100, max: 12_000, noNaN: true }), (list, limitVA) => {
        const bounded = BoundedDemand.upTo(limitVA);
        for (const { powerVA, share } of list) bounded.add(powerVA, share);
        const whole = DemandDistribution.of(
          list.map(({ powerVA }) => powerVA),
          list.map(({ share }) => share),
        );
        for (const part of [0.2, 0.7, 1]) {
          // Between two bins, so that rounding does not decide.
          const always = list.reduce((sum, { powerVA, share }) => sum + (share >= 1 ? powerVA : 0), 0);
          const atVA = always + (Math.floor((limitVA * part - always) / 50) - 0.5) * 50;
          expect(bounded.shareUpTo(atVA)).toBeCloseTo(1 - whole.shareAbove(atVA), 8);
        }
      }),
    );
  });

  it('is left alone by what its copy takes on', () => {
    const first = BoundedDemand.upTo(1000);
    first.copy().add(400, 0.5);
    expect(first.shareUpTo(0)).toBe(1);
  });
});
