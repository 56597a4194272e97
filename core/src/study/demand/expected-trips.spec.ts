import { describe, expect, it } from 'vitest';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { expectedTripsPerDay, tripLevels } from './expected-trips.js';

const heater = (id: string, dutyCycle: number, cyclesPerHour: number) =>
  aLoad({
    id,
    runningPowerW: 3000,
    powerFactor: 1,
    dutyCycle,
    cyclesPerHour,
    use: allSeasons(aroundTheClock),
  });

describe('expected overload trips', () => {
  const loads = [heater('a', 0.3, 4), heater('b', 0.4, 6)];

  it('are none where everything fits, and endless where what is always on does not', () => {
    expect(expectedTripsPerDay(loads, 'winter', tripLevels(7000, []))).toBe(0);
    const always = [heater('a', 1, 1), heater('b', 1, 1)];
    expect(expectedTripsPerDay(always, 'winter', tripLevels(5000, []))).toBe(Infinity);
  });

  it('are the upcrossings where nothing is held: 24 · (4 · 0.4 + 6 · 0.3)', () => {
    expect(expectedTripsPerDay(loads, 'winter', tripLevels(5000, []))).toBeCloseTo(
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
    const levels = tripLevels(5000, [{ apparentPowerVA: 9000, durationS: 300 }]);
    const expected = expectedTripsPerDay(loads, 'winter', levels);
    expect((trips / lengthH) * 24).toBeGreaterThan(0.9 * expected);
    expect((trips / lengthH) * 24).toBeLessThan(1.1 * expected);
  });

  it('never rise when an overload is held longer', () => {
    let last = Infinity;
    for (const durationS of [1, 10, 60, 300, 1800]) {
      const now = expectedTripsPerDay(
        loads,
        'winter',
        tripLevels(5000, [{ apparentPowerVA: 9000, durationS }]),
      );
      expect(now).toBeLessThanOrEqual(last);
      last = now;
    }
  });
});
