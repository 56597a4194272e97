import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pickupPeakVA, pickupVA, staggered, type Restart } from './cold-pickup.js';
import { startShape } from './start-shape.js';

const motor = (startVA: number, runsVA: number, durationS: number, atS = 0): Restart => ({
  loadId: 'm',
  name: 'Motor',
  startVA,
  runsVA,
  durationS,
  atS,
});

describe('a cold pickup', () => {
  it('adds the starts of motors that return together', () => {
    const two = [motor(6000, 1000, 0.5), motor(4000, 800, 0.5)];
    expect(pickupPeakVA(two, 500)).toBe(10_500);
    expect(pickupVA(two, 500, 1)).toBe(2300);
  });

  it('is lower where delays keep the starts apart', () => {
    expect(pickupPeakVA([motor(6000, 1000, 0.5), motor(4000, 800, 0.5, 3)], 500)).toBe(6500);
  });

  const motors = fc.array(
    fc
      .tuple(
        fc.integer({ min: 100, max: 3000 }),
        fc.integer({ min: 0, max: 9000 }),
        fc.integer({ min: 10, max: 300 }),
      )
      .map(([runs, excess, hundredths]) => motor(runs + excess, runs, hundredths / 100)),
    { minLength: 1, maxLength: 5 },
  );
  const permutations = <T>(list: readonly T[]): T[][] =>
    list.length <= 1
      ? [[...list]]
      : list.flatMap((one, i) => permutations(list.toSpliced(i, 1)).map((rest) => [one, ...rest]));

  it('one after the other in the order given has the lowest peak of all orders', () => {
    fc.assert(
      fc.property(motors, fc.integer({ min: 0, max: 3000 }), (list, besideVA) => {
        const best = pickupPeakVA(staggered(list, 1), besideVA);
        const peaks = permutations(list).map((order) => {
          let atS = 0;
          const placed = order.map((one) => {
            const start = { ...one, atS };
            atS += one.durationS + 1;
            return start;
          });
          return pickupPeakVA(placed, besideVA);
        });
        expect(best).toBeCloseTo(Math.min(...peaks), 6);
      }),
      { numRuns: 60 },
    );
  });

  it('its peak is the highest of a fine trace', () => {
    fc.assert(
      fc.property(motors, (list) => {
        const placed = staggered(list, 0.2);
        let highest = 0;
        for (let t = 0; t < 15; t += 0.005) highest = Math.max(highest, pickupVA(placed, 200, t));
        expect(pickupPeakVA(placed, 200)).toBeGreaterThanOrEqual(highest - 1e-6);
      }),
      { numRuns: 40 },
    );
  });
});

it('the shape of a start never rises', () => {
  let last = 1;
  for (let t = 0; t <= 1.2; t += 0.01) {
    const now = startShape(t, 1);
    expect(now).toBeLessThanOrEqual(last + 1e-12);
    last = now;
  }
  expect([startShape(0, 1), startShape(0.7, 1), startShape(1, 1)]).toEqual([1, 1, 0]);
});
