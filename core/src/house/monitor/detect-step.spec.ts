import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { detectStep, type PowerSample } from './detect-step.js';

/** Samples four times a second: `before`, then `after`, with a peak in the first sample of the step. */
const samples = (before: number, after: number, peak: number, count = 30, at = 12): PowerSample[] =>
  Array.from({ length: count }, (_, i) => {
    const powerW = i < at ? before : after;
    return { atS: i / 4, powerW, peakW: i === at ? Math.max(peak, powerW) : powerW };
  });

describe('the step when one thing is switched on', () => {
  it('is the level after it above the level before, with its start', () => {
    expect(detectStep(samples(120, 970, 4_400))).toEqual({
      runningW: 850,
      startW: 4_280,
      multiple: 4_280 / 850,
      beforeW: 120,
    });
  });

  it('of anything, at any moment, on any background is found again', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3000 }),
        fc.integer({ min: 20, max: 5000 }),
        fc.integer({ min: 0, max: 8 }),
        fc.integer({ min: 5, max: 20 }),
        (before, step, surge, at) => {
          const found = detectStep(samples(before, before + step, before + step * (1 + surge), 32, at));
          expect(found?.runningW).toBeCloseTo(step, 6);
          expect(found?.beforeW).toBe(before);
          expect(found?.multiple).toBeCloseTo(1 + surge, 6);
        },
      ),
    );
  });

  it('is found in the flicker of a meter', () => {
    const flicker = [0, 3, -2, 4, -4, 1, -1, 2];
    const noisy = samples(200, 1_400, 6_000).map((one, i) => ({
      ...one,
      powerW: one.powerW + flicker[i % 8]!,
    }));
    expect(detectStep(noisy)?.runningW).toBeGreaterThan(1_190);
    expect(detectStep(noisy)?.runningW).toBeLessThan(1_210);
  });

  it('is none where nothing, little, or something else happened', () => {
    expect(detectStep([])).toBeNull();
    expect(detectStep(samples(120, 120, 120))).toBeNull();
    expect(detectStep(samples(120, 126, 126))).toBeNull();
    expect(detectStep(samples(900, 120, 900))).toBeNull();
    expect(detectStep(samples(120, 970, 970, 4, 2))).toBeNull();
  });

  it('has no surge where it is within the noise', () => {
    expect(detectStep(samples(0, 100, 110))?.multiple).toBe(1);
    expect(detectStep(samples(0, 100, 130))?.multiple).toBeCloseTo(1.3, 6);
  });
});
