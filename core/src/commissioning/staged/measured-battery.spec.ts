import { describe, expect, it } from 'vitest';
import { hiddenTruth } from '../../simulator/index.js';
import type { BuiltHouse } from '../simulated/built-house.js';
import { randomBuilt } from '../testing/random-built.js';
import { sampleOfHouse } from '../simulated/sample-of-house.js';
import { type MeasuredBattery, measuredBattery } from './measured-battery.js';
import type { OutageSample } from './outage-sample.js';

const isLong = process.env['LEVAMEN_PROVE'] !== undefined;
const count = isLong ? 50 : 10;

/** An evening in September: no sun, no frost. */
const start = { minute: 262 * 1440 + 20 * 60, charge: 0.97 };

/**
 * Two hours with heaters, three with nothing but what the system itself takes, two with heaters again, then back to the grid.
 *
 * @param everyS seconds between two readings
 */
function recorded(house: BuiltHouse, seed: number, everyS = 2) {
  const simulated = house.simulate(seed, start.minute, start.charge);
  const samples: OutageSample[] = [];
  const record = (hours: number): void => {
    for (let second = 0; second < hours * 3600; second += everyS) {
      simulated.advance(everyS);
      samples.push(sampleOfHouse(simulated.now()));
    }
  };
  // As much as takes a twelfth of its energy in an hour: more where the battery is large.
  const heatersW = house.hardware.usableWh / 12;
  const ids = simulated.loads().map(({ id }) => id);
  simulated.switchGrid(false);
  for (const id of ids) simulated.switchLoad(id, false);
  simulated.bringHeaters(heatersW);
  record(2);
  simulated.bringHeaters(0);
  record(3);
  simulated.bringHeaters(heatersW);
  record(2);
  simulated.bringHeaters(0);
  simulated.switchGrid(true);
  record(2);
  return { samples, usableWh: simulated.usableWh };
}

/** What is true of it, by the seed: capacity, stand-by, and what comes back at the mean power. */
function truthOf({ hardware }: BuiltHouse, seed: number, meanW: number) {
  const truth = hiddenTruth(seed);
  const lost = (1 + hardware.lossPerW) / truth.dischargeTimes + hardware.lossPerW2 * meanW;
  return {
    standbyW: Math.max(0, hardware.standbyW + truth.standbyMoreW),
    roundTrip: Math.min(1, hardware.chargeEfficiency * truth.chargeTimes) / lost,
  };
}

describe('a measured battery', () => {
  it('is the hidden one within 3 % and 15 W, and its errors are honest: 19 of 20 truths lie within two of them', () => {
    const inside: boolean[] = [];
    for (const [place, house] of randomBuilt(count).entries()) {
      const seed = 100 + place;
      const { samples, usableWh } = recorded(house, seed);
      const found = measuredBattery(samples, house.hardware);
      if (house.hardware.peukert !== null) {
        expect(found).toBeNull();
        continue;
      }
      const { standbyW, roundTrip } = found as MeasuredBattery & {
        standbyW: NonNullable<MeasuredBattery['standbyW']>;
        roundTrip: NonNullable<MeasuredBattery['roundTrip']>;
      };
      const truth = truthOf(house, seed, found!.meanW);
      expect(Math.abs(found!.usableWh.value / usableWh - 1), `capacity of house ${place}`).toBeLessThan(0.03);
      expect(Math.abs(standbyW.value - truth.standbyW), `stand-by of house ${place}`).toBeLessThan(15);
      const pairs = [
        [found!.usableWh, usableWh],
        [standbyW, truth.standbyW],
        [roundTrip, truth.roundTrip],
      ] as const;
      inside.push(...pairs.map(([{ value, error }, is]) => Math.abs(value - is) < 1.96 * error));
      // An error that covers everything says nothing.
      expect(found!.usableWh.error / usableWh).toBeLessThan(0.02);
      expect(standbyW.error).toBeLessThan(12);
      expect(roundTrip.error).toBeLessThan(0.02);
    }
    expect(inside.length).toBeGreaterThan(2 * count);
    expect(inside.filter(Boolean).length / inside.length).toBeGreaterThanOrEqual(0.95);
  }, 900_000);

  it('bears minutes nobody could read, marks for nothing, and readings far apart', () => {
    const [house] = randomBuilt(1) as [BuiltHouse];
    const { samples, usableWh } = recorded(house, 7, 5);
    const holed = samples.map((one, place): OutageSample => {
      if (place % 40 === 0) return { ...one, charge: null };
      if (place % 55 < 2) return { ...one, batteryW: null, solarW: null };
      return one;
    });
    const found = measuredBattery(
      holed.filter(({ second }) => second % 5000 > 20),
      house.hardware,
    )!;
    expect(Math.abs(found.usableWh.value / usableWh - 1)).toBeLessThan(0.03);
  });

  it('says nothing where nothing was taken from it', () => {
    const [house] = randomBuilt(1) as [BuiltHouse];
    const { samples } = recorded(house, 7, 10);
    expect(measuredBattery([], house.hardware)).toBeNull();
    expect(measuredBattery(samples.slice(0, 60), house.hardware)).toBeNull();
    expect(
      measuredBattery(
        samples.filter(({ isOnGrid }) => isOnGrid),
        house.hardware,
      ),
    ).toBeNull();
    const sunny = samples.map((one): OutageSample => ({ ...one, solarW: 900 }));
    expect(measuredBattery(sunny, house.hardware)).toBeNull();
  });
});
