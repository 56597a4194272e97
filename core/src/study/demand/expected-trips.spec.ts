import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import type { Load } from '../../house/index.js';
import { expectedTripsPerDay } from './expected-trips.js';
import { tripLevels } from '../output/overload-axes.js';

const heater = (id: string, dutyCycle: number, cyclesPerHour: number) =>
  aLoad({
    id,
    runningPowerW: 3000,
    powerFactor: 1,
    dutyCycle,
    cyclesPerHour,
    use: allSeasons(aroundTheClock),
  });

const tripsOf = (
  loads: readonly Load[],
  ...rest: [season: 'winter', levels: ReturnType<typeof tripLevels>]
) => expectedTripsPerDay('single-230', loads, ...rest);

describe('expected overload trips', () => {
  const loads = [heater('a', 0.3, 4), heater('b', 0.4, 6)];

  it('are none where everything fits, and endless where what is always on does not', () => {
    expect(tripsOf(loads, 'winter', tripLevels({ ratedVA: 7000, overload: [] }))).toBe(0);
    const always = [heater('a', 1, 1), heater('b', 1, 1)];
    expect(tripsOf(always, 'winter', tripLevels({ ratedVA: 5000, overload: [] }))).toBe(Infinity);
  });

  it('are the upcrossings where nothing is held: 24 · (4 · 0.4 + 6 · 0.3)', () => {
    expect(tripsOf(loads, 'winter', tripLevels({ ratedVA: 5000, overload: [] }))).toBeCloseTo(
      24 * (4 * 0.4 + 6 * 0.3),
      6,
    );
  });

  // Two alternating renewal processes with exponential times, followed for a long while.
  it('are what a simulation counts for an overload that is held for five minutes', () => {
    let seed = 11;
    const exponential = (meanH: number): number => {
      seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
      return -meanH * Math.log((seed + 1) / (2 ** 32 + 1));
    };
    const process = [
      { onH: 0.3 / 4, offH: 0.7 / 4 },
      { onH: 0.4 / 6, offH: 0.6 / 6 },
    ].map((times) => ({ ...times, on: false, nextH: exponential(times.offH) }));
    const lengthH = 60_000;
    let nowH = 0;
    let bothSince = -1;
    let trips = 0;
    while (nowH < lengthH) {
      const next = process.reduce((a, b) => (b.nextH < a.nextH ? b : a));
      nowH = next.nextH;
      next.on = !next.on;
      next.nextH = nowH + exponential(next.on ? next.onH : next.offH);
      const both = process.every(({ on }) => on);
      if (both && bothSince < 0) bothSince = nowH;
      if (!both && bothSince >= 0) {
        if (nowH - bothSince > 300 / 3600) trips += 1;
        bothSince = -1;
      }
    }
    const levels = tripLevels({ ratedVA: 5000, overload: [{ apparentPowerVA: 9000, durationS: 300 }] });
    const expected = tripsOf(loads, 'winter', levels);
    expect((trips / lengthH) * 24).toBeGreaterThan(0.9 * expected);
    expect((trips / lengthH) * 24).toBeLessThan(1.1 * expected);
  });

  it('never rise when an overload is held longer', () => {
    let last = Infinity;
    for (const durationS of [1, 10, 60, 300, 1800]) {
      const now = tripsOf(
        loads,
        'winter',
        tripLevels({ ratedVA: 5000, overload: [{ apparentPowerVA: 9000, durationS }] }),
      );
      expect(now).toBeLessThanOrEqual(last);
      last = now;
    }
  });

  // Two loads of 1.8 kW on one leg of 3 kVA: the whole inverter carries them, the leg does not.
  it('are looked for on each leg: 24 · (6 · 0.3 + 6 · 0.3) where a leg holds nothing', () => {
    const pair = ['a', 'b'].map((id) => ({
      ...heater(id, 0.3, 6),
      runningPowerW: 1800,
      legs: 'L1' as const,
    }));
    const on = (part: 'L1' | 'L2' | 'whole', limitVA: number) =>
      expectedTripsPerDay(
        'split-120-240',
        pair,
        'winter',
        tripLevels({ ratedVA: limitVA, overload: [] }),
        part,
      );
    expect([on('whole', 6000), on('L2', 3000)]).toEqual([0, 0]);
    expect(on('L1', 3000)).toBeCloseTo(24 * (6 * 0.3 + 6 * 0.3), 6);
  });

  // By brute force over every combination of loads: the rate of upcrossings from its definition.
  it('are never fewer than the formula with exact powers gives, however near the limit', () => {
    const load = fc.record({
      powerVA: fc.double({ min: 1, max: 3000, noNaN: true }),
      share: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
      starts: fc.double({ min: 0.1, max: 10, noNaN: true }),
    });
    fc.assert(
      fc.property(
        fc.array(load, { minLength: 1, maxLength: 7 }),
        // Sums that differ from the limit by rounding only are within it.
        fc.double({ min: 0.2, max: 0.999, noNaN: true }),
        fc.constantFrom(0, 10, 300, 3600),
        (list, part, heldS) => {
          const limitVA = part * list.reduce((sum, { powerVA }) => sum + powerVA, 0);
          const combinations = 2 ** list.length;
          let [above, rate] = [0, 0];
          for (let set = 0; set < combinations; set += 1) {
            const on = list.map((_, i) => Math.floor(set / 2 ** i) % 2 === 1);
            const chance = list.reduce((p, { share }, i) => p * (on[i] ? share : 1 - share), 1);
            const sumVA = list.reduce((sum, { powerVA }, i) => sum + (on[i] ? powerVA : 0), 0);
            if (sumVA <= limitVA) continue;
            above += chance;
            // One of those that are on came last.
            list.forEach(({ powerVA, share, starts }, i) => {
              if (on[i] && sumVA - powerVA <= limitVA) rate += (starts * chance) / share;
            });
          }
          const exact = above > 0 ? 24 * rate * Math.exp((-heldS / 3600) * (rate / above)) : 0;
          const loads = list.map(({ powerVA, share, starts }, i) => ({
            ...heater(`l${i}`, share, starts),
            runningPowerW: powerVA,
          }));
          const levels = [{ aboveVA: limitVA, heldS }];
          const said = expectedTripsPerDay('single-230', loads, 'winter', levels);
          expect(said).toBeGreaterThanOrEqual(exact * (1 - 1e-9) - 1e-9);
        },
      ),
    );
  });
});
