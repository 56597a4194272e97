import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dailyEnergyWh } from '../../house/index.js';
import { plannedLoad } from './planned-load.js';
import { prepareFor } from './prepare-for.js';

describe('planned additions', () => {
  it('take their energy over the day, whatever their power', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 20_000, noNaN: true }),
        fc.double({ min: 0, max: 200_000, noNaN: true }),
        (runningPowerW, energyWhPerDay) => {
          const load = plannedLoad(
            { id: 'a', name: 'Car', kind: 'load', runningPowerW, energyWhPerDay, countIn: true },
            'split-120-240',
          );
          expect(dailyEnergyWh(load, 'winter')).toBeCloseTo(energyWhPerDay, 4);
        },
      ),
    );
  });
});

it('an addition that runs for hours asks for 125 % of its current', () => {
  // 9.6 kW at 240 V are 40 A, and so a breaker of 50 A: NEC 2023, 625.42 and 210.20(A), recalled.
  const car = {
    id: 'a',
    name: 'Car',
    kind: 'load' as const,
    runningPowerW: 9600,
    energyWhPerDay: 0,
    countIn: false,
  };
  expect(prepareFor(car, 'split-120-240').at(-1)).toMatch(/at least 50(\.0)?\sA/u);
});
