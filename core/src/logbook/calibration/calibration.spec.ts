import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoPlans } from '../../design/index.js';
import { dailyEnergyWh, type Load, loadSchema } from '../../house/index.js';
import { weatherUse } from '../../study/details.js';
import { calibrateLoads } from './calibrate-loads.js';
import { withCalibration } from './calibration-entry.js';
import type { LoadEvidence } from './load-evidence.js';
import { withUseTimes } from './take-calibration.js';

const outage = (ordinaryWh: number, weatherWh: number, tookWh: number, errorWh: number): LoadEvidence => ({
  outageId: `${ordinaryWh}`,
  ordinaryWh,
  weatherWh,
  tookWh,
  errorWh,
  from: 'recorded',
});

/** By adding up probabilities over a grid of both factors: from the definition. */
function byGrid(evidence: readonly LoadEvidence[]): readonly [ordinary: number, weather: number] {
  let [sum, first, second] = [0, 0, 0];
  for (let a = 0; a <= 2.5; a += 0.01)
    for (let b = -0.5; b <= 3; b += 0.01) {
      let log = -0.5 * ((a - 1) / 0.2) ** 2 - 0.5 * ((b - 1) / 0.3) ** 2;
      for (const { ordinaryWh, weatherWh, tookWh, errorWh } of evidence)
        log -= 0.5 * ((tookWh - a * ordinaryWh - b * weatherWh) / errorWh) ** 2;
      const weight = Math.exp(log);
      sum += weight;
      first += weight * a;
      second += weight * b;
    }
  return [first / sum, second / sum];
}

describe('loads brought in line with outages', () => {
  it('stay as they were entered where nothing is known', () => {
    const { ordinary, weather, isWorthIt } = calibrateLoads([]);
    expect(ordinary.times).toBeCloseTo(1, 12);
    expect(weather.times).toBeCloseTo(1, 12);
    expect(isWorthIt).toBe(false);
  });

  it('follow a grid of all factors', () => {
    const evidence = [
      outage(8000, 500, 10_500, 900),
      outage(9000, 6000, 19_000, 1500),
      outage(3000, 0, 3600, 400),
    ];
    const { ordinary, weather } = calibrateLoads(evidence);
    const [byA, byB] = byGrid(evidence);
    expect(ordinary.times).toBeCloseTo(byA, 3);
    expect(weather.times).toBeCloseTo(byB, 3);
  });

  it('come back from sharp evidence, and are worth taking then', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (a, b) => {
          const evidence = [
            [10_000, 200],
            [8000, 7000],
            [12_000, 3000],
          ].map(([ordinary, weather]) => outage(ordinary!, weather!, a * ordinary! + b * weather!, 30));
          const { ordinary, weather, isWorthIt } = calibrateLoads(evidence);
          expect(ordinary.times).toBeCloseTo(a, 2);
          expect(weather.times).toBeCloseTo(b, 2);
          if (Math.abs(a - 1) > 0.05) expect(isWorthIt).toBe(true);
        },
      ),
    );
  });

  it('leave what lies within the errors alone', () => {
    expect(calibrateLoads([outage(10_000, 1000, 11_600, 1500)]).isWorthIt).toBe(false);
  });
});

describe('a load that takes so many times its energy', () => {
  const loads: readonly Load[] = demoPlans.flatMap(({ plan }) => plan.loads);
  it('does so in every season', () => {
    fc.assert(
      fc.property(fc.constantFrom(...loads), fc.double({ min: 0.3, max: 3, noNaN: true }), (load, times) => {
        const changed = withUseTimes(load, times);
        for (const season of ['winter', 'shoulder', 'summer'] as const) {
          const before = dailyEnergyWh(load, season);
          const after = dailyEnergyWh(changed, season);
          expect(Math.abs(after - before * times)).toBeLessThanOrEqual(0.01 * before * times + 2);
        }
        // What runs shorter takes no less while it runs.
        if (times <= 1) expect(changed.runningPowerW).toBe(load.runningPowerW);
        expect(loadSchema.safeParse(changed).success).toBe(true);
      }),
      { numRuns: 300 },
    );
  });

  it('is written into the logbook, heating and cooling by their own factor', () => {
    const { plan } = demoPlans[0]!;
    const changed = withCalibration(plan, {
      id: 'c',
      on: '2026-01-01',
      by: 'Ada',
      ordinaryTimes: 0.8,
      weatherTimes: 0.5,
      restsOn: '3 outages',
    });
    expect(changed.logbook.calibrations).toMatchObject([
      {
        ordinaryTimes: 0.8,
        weatherTimes: 0.5,
        says: 'Loads times 0.8, heating and cooling times 0.5, by 3 outages.',
      },
    ]);
    changed.loads.forEach((load, index) => {
      const times = weatherUse(load.kind) === 'none' ? 0.8 : 0.5;
      const before = dailyEnergyWh(plan.loads[index]!, 'winter');
      expect(Math.abs(dailyEnergyWh(load, 'winter') - times * before)).toBeLessThanOrEqual(0.01 * before + 1);
    });
  });
});
