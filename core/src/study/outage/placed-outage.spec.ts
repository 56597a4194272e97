import { describe, expect, it } from 'vitest';
import { put, type Plan } from '../../design/index.js';
import { idealUnit } from '../../equipment/testing/ideal-unit.js';
import { newWall, type Wall } from '../../house/index.js';
import { aLoad, allSeasons, aroundTheClock } from '../../house/testing/loads.js';
import { syntheticYear, typicalClimates } from '../../nature/index.js';
import { anArray, anOutageYear, steadyWeather } from '../testing/outages.js';
import { playOutage } from './play-outage.js';

const loads = [aLoad({ runningPowerW: 400, use: allSeasons(aroundTheClock), legs: 'L1-L2', tier: 'must' })];
const on =
  (walls: readonly Partial<Wall>[], places: readonly (readonly [thing: string, wall: number])[]) =>
  (plan: Plan): Plan => ({
    ...plan,
    lot: {
      ...plan.lot,
      walls: walls.map((said, index) => ({ ...newWall(`w${index}`, 'A', 5, 2.5), ...said })),
    },
    placement: put(
      plan.placement,
      places.map(([thingId, wall]) => ({ thingId, wallId: `w${wall}`, leftM: 1, bottomM: 0.5 })),
    ),
  });
const one = 'unit:house:ideal:1';
const two = 'unit:house:ideal:2';
const freezing = { place: 'detached-garage', lowestC: -6, highestC: -2 } as const;
const mild = { place: 'utility-room', lowestC: 15, highestC: 25 } as const;

describe('an outage with the battery where it is put', () => {
  const weather = syntheticYear(
    typicalClimates.find(({ id }) => id === 'cold-coast')!,
    1,
  );
  const year = (
    walls: readonly Partial<Wall>[],
    places: readonly (readonly [string, number])[],
    changes = {},
  ) =>
    anOutageYear({
      loads,
      weather,
      outage: { arrays: [anArray({ ratedW: 5000 })] },
      change: on(walls, places),
      ...changes,
    });

  it('in a freezing garage takes no charge from the sun, lasts shorter, and the diary says so', () => {
    // Three days from the 10th of May.
    const from = 129 * 24 * 60;
    const cold = playOutage(year([freezing], [[one, 0]]), from, 4320);
    const warm = playOutage(year([mild], [[one, 0]]), from, 4320);
    expect(cold.survivedMin).toBeLessThan(warm.survivedMin);
    expect(cold.events.map(({ kind }) => kind)).toContain('cold-charge');
    expect(warm.events.map(({ kind }) => kind)).not.toContain('cold-charge');
    expect(cold.batteryC[100]!).toBeLessThan(0);
  });

  it('one of two in the cold blocks its own share of the charging', () => {
    const both = year(
      [mild, freezing],
      [
        [one, 0],
        [two, 1],
      ],
      { quantity: 2 },
    );
    expect([...both.chargeShare].every((share) => Math.abs(share - 0.5) < 1e-6)).toBe(true);
  });

  it('a heater keeps it taking charge, and is a load of its own', () => {
    const heated = { ...idealUnit, body: { ...idealUnit.body, heaterW: 300 } };
    const made = year([freezing], [[one, 0]], { unit: heated });
    expect(Math.min(...made.chargeShare)).toBeGreaterThan(0);
    expect(made.heaterW![0]!).toBeGreaterThan(0);
    const dark = { weather: steadyWeather(), outage: {} };
    const bare = playOutage(anOutageYear({ loads, ...dark, change: on([freezing], [[one, 0]]) }), 0, 2880);
    const warmed = playOutage(
      anOutageYear({ loads, ...dark, unit: heated, change: on([freezing], [[one, 0]]) }),
      0,
      2880,
    );
    expect(warmed.survivedMin).toBeLessThan(bare.survivedMin);
    // What it draws, and no more, is what is missing.
    const drawW = warmed.standbyW[60]!;
    expect(warmed.survivedMin / bare.survivedMin).toBeCloseTo(400 / (400 + drawW), 2);
  });

  it('an inverter in the heat gives what its data sheet leaves it', () => {
    const derated = { ...idealUnit, body: { ...idealUnit.body, derateAboveC: 30, deratePerC: 0.02 } };
    const hot = { place: 'attic', lowestC: 40, highestC: 40 } as const;
    const made = year([hot], [[one, 0]], { unit: derated });
    // 10 °C above 30 at 2 % each.
    expect(made.dischargeShare[500]).toBeCloseTo(0.8, 6);
  });

  it('put nowhere, is as the brief says', () => {
    const made = year([freezing], []);
    expect(new Set(made.batteryC)).toEqual(new Set([25]));
    expect(made.heaterW).toBeNull();
  });
});
