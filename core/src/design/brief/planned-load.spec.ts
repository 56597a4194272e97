import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dailyEnergyWh } from '../../house/index.js';
import { plannedLoad } from './planned-load.js';

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
