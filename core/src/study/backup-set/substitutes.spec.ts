import { describe, expect, it } from 'vitest';
import { aPlan } from '../../design/testing/plan.js';
import { dailyEnergyWh, type Load } from '../../house/index.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { substitutesFor } from './substitutes.js';

const keysOf = (changes: Partial<Load>): string[] =>
  substitutesFor(aPlan([aLoad({ id: 'load', ...changes })])).map(({ key }) => key.split('.')[0]!);
const start = (lockedRotorA: number): Load['start'] => ({ how: 'lockedRotor', lockedRotorA, durationS: 0.4 });

// All of it common practice, no source.
describe('what is large enough for a substitute', () => {
  it.each([
    ['cooling', 1500, ['fan-at-night', 'room-unit']],
    ['water-heater', 2000, ['heat-pump-water-heater']],
    ['range', 2500, ['single-plate']],
    ['space-heating', 1000, ['room-heat-pump']],
    ['backup-heat', 1000, ['room-heat-pump']],
  ] as const)('%s from %i W on', (kind, runningPowerW, keys) => {
    expect(keysOf({ kind, runningPowerW })).toEqual(keys);
    expect(keysOf({ kind, runningPowerW: runningPowerW - 1 })).toEqual([]);
  });

  it('a soft starter from 2.5 kVA and two and a half times the running power on, in a start across the line', () => {
    const motor = { kind: 'other', voltageV: 240, legs: 'L1-L2', powerFactor: 1 } as const;
    // 240 V × 10.4 A = 2,496 VA and 2,520 VA.
    expect(keysOf({ ...motor, runningPowerW: 500, start: start(10.4) })).toEqual([]);
    expect(keysOf({ ...motor, runningPowerW: 500, start: start(10.5) })).toEqual(['soft-starter']);
    // 240 V × 41 A = 9,840 VA: 2.46 and 2.6 times as much as runs.
    expect(keysOf({ ...motor, runningPowerW: 4000, start: start(41) })).toEqual([]);
    expect(keysOf({ ...motor, runningPowerW: 3785, start: start(41) })).toEqual(['soft-starter']);
  });
});

describe('what a substitute takes', () => {
  const made = (changes: Partial<Load>) => substitutesFor(aPlan([aLoad({ id: 'load', ...changes })]))[0]!;

  it('a heat-pump water heater: some 500 W and 2.1 kWh a day, by day, a third of what a tank of 4.5 kW for two hours does', () => {
    const { changed } = made({ kind: 'water-heater', runningPowerW: 4500 });
    expect(changed).toMatchObject({
      runningPowerW: 500,
      powerFactor: 0.92,
      dutyCycle: 0.85,
      start: { how: 'multiple', multiple: 3, durationS: 0.4 },
    });
    expect(changed.use.winter).toEqual({ nightH: 0, morningH: 0, dayH: 4, eveningH: 1 });
    expect(changed.use.summer.dayH).toBe(3);
    expect(dailyEnergyWh(changed, 'winter')).toBeCloseTo(500 * 0.85 * 5, 6);
  });

  it('a portable plate: 1.5 kW on one leg', () => {
    const { added } = made({ kind: 'range', runningPowerW: 11_000, legs: 'L1-L2' });
    expect(added).toMatchObject({ name: 'Portable induction plate', runningPowerW: 1500, legs: 'L1' });
  });

  it('nights without air conditioning, where a fan takes them over', () => {
    const { changed } = made({ kind: 'cooling', runningPowerW: 3000, use: allSeasons(aroundTheClock) });
    expect(changed.use.summer).toMatchObject({ nightH: 0, dayH: aroundTheClock.dayH });
  });
});
