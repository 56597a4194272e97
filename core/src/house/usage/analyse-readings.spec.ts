import { DateTime } from 'luxon';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aLoad } from '../testing/loads.js';
import { dailyEnergyWh } from '../loads/daily-energy.js';
import { demoReadings } from '../demo/demo-readings.js';
import { analyseReadings } from './analyse-readings.js';
import { decodeMilli, encodeMilli } from './encode-readings.js';
import { localTimes } from '../../nature/index.js';
import { measuredUse, seasonOfMonth, withMeasuredUse } from './measured-use.js';
import { gap, type Channel, type Readings } from './readings.js';

const zone = 'America/Halifax';
const startS = DateTime.fromISO('2025-01-01', { zone }).toSeconds();
const channel = (values: readonly (number | null)[], changes: Partial<Channel> = {}): Channel => ({
  name: 'Import',
  role: 'import',
  quantity: 'power',
  milli: Int32Array.from(values, (value) => (value === null ? gap : Math.round(value * 1000))),
  ...changes,
});
const readingsOf = (intervalS: number, ...channels: Channel[]): Readings => ({
  startS,
  intervalS,
  count: channels[0]!.milli.length,
  channels,
});

describe('the highest quarter hour (NEC 220.87)', () => {
  /** An independent way: group minutes by quarter with the reference library, average, take the highest. */
  const independent = (values: readonly number[]): number => {
    const quarters = new Map<string, number[]>();
    values.forEach((value, i) => {
      const at = DateTime.fromSeconds(startS + i * 60, { zone: 'utc' });
      const key = `${at.toISODate()} ${at.hour} ${Math.floor(at.minute / 15)}`;
      quarters.set(key, [...(quarters.get(key) ?? []), value]);
    });
    return Math.max(
      ...[...quarters.values()].filter((q) => q.length === 15).map((q) => q.reduce((a, b) => a + b, 0) / 15),
    );
  };

  it('agrees with an independent calculation from minutes', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 12_000 }), { minLength: 60, maxLength: 400 }),
        (values) => {
          const { highestW } = analyseReadings(readingsOf(60, channel(values)), zone);
          expect(highestW).toBeCloseTo(independent(values), 2);
        },
      ),
      { numRuns: 50 },
    );
  });

  it('takes quarter hours as they are, and names the moment', () => {
    const values = [500, 4000, 700, 800];
    const analysis = analyseReadings(
      readingsOf(
        900,
        channel(
          values.map((w) => w / 4),
          { quantity: 'energy' },
        ),
      ),
      zone,
    );
    expect(analysis).toMatchObject({ highestW: 4000, highestAt: '2025-01-01T00:15' });
  });

  it('does not count a quarter with a gap', () => {
    const values = Array.from({ length: 30 }, (_, i) => (i < 15 ? 1000 : i === 20 ? null : 5000));
    expect(analyseReadings(readingsOf(60, channel(values)), zone).highestW).toBeCloseTo(1000, 3);
  });
});

describe('what meter data yields', () => {
  const day = Array.from({ length: 96 }, (_, i) => (i < 24 ? 200 : i < 72 ? 1000 : 3000));
  const year = readingsOf(900, channel(Array.from({ length: 365 }, () => day).flat()));
  const analysis = analyseReadings(year, zone);

  it('energy, mean, base load and duration', () => {
    const meanW = day.reduce((sum, w) => sum + w, 0) / 96;
    expect(analysis.meanW).toBeCloseTo(meanW, 6);
    expect(analysis.energyWh).toBeCloseTo(meanW * 8760, 3);
    expect(analysis.baseW).toBe(200);
    expect(analysis.duration[0]).toBe(3000);
    expect(analysis.duration[100]).toBe(200);
    expect(analysis.duration).toEqual(analysis.duration.toSorted((a, b) => b - a));
  });

  it('follows the clock of the house through summer time', () => {
    // The file runs in even UTC steps; in summer the same quarter stands an hour later on the wall.
    expect(analysis.heat[0]![3]).toBeCloseTo(200, 3);
    expect(analysis.heat[6]![6]).toBeCloseTo(200, 3);
    expect(analysis.heat[6]![7]).toBeCloseTo(1000, 3);
    const { hour, month, weekday } = localTimes(startS, 900, year.count, zone);
    for (const i of [0, 5000, 12_345, 20_000, 35_000]) {
      const at = DateTime.fromSeconds(startS + i * 900, { zone });
      expect([hour[i], month[i], weekday[i]]).toEqual([at.hour, at.month - 1, at.weekday - 1]);
    }
  });

  it('extremes of the months, by whole days', () => {
    expect(analysis.months).toHaveLength(12);
    expect(analysis.months[0]).toMatchObject({ month: '2025-01', days: 31 });
  });

  it('solar: import, export and what the house used behind the meter', () => {
    const solar = analyseReadings(
      readingsOf(
        3600,
        channel([500, 0, 0, 800]),
        channel([0, 1000, 1500, 0], { name: 'Export', role: 'export' }),
        channel([0, 1800, 2100, 0], { name: 'Solar', role: 'solar' }),
      ),
      zone,
    );
    expect(solar.energyWh).toBeCloseTo(500 + 800 + 600 + 800, 6);
    expect(solar.exportWh).toBeCloseTo(2500, 6);
    expect(solar.exportByHourWh!.slice(0, 4)).toEqual([0, 1000, 1500, 0]);
  });

  it('mains that run backwards are export', () => {
    const mains = analyseReadings(
      readingsOf(3600, channel([500, -700], { name: 'Mains', role: 'mains' })),
      zone,
    );
    expect(mains.exportWh).toBe(700);
  });

  it('diversity, and what no circuit explains', () => {
    const circuits = analyseReadings(
      readingsOf(
        900,
        channel([1000, 1000, 100], { name: 'Mains L1', role: 'mains' }),
        channel([900, 0, 0], { name: 'A', role: 'circuit' }),
        channel([0, 800, 0], { name: 'B', role: 'circuit' }),
      ),
      zone,
    );
    expect(circuits.diversity).toEqual({ peakOfSumW: 900, sumOfPeaksW: 1700, factor: 900 / 1700 });
    expect(circuits.unmeteredWh).toBeCloseTo((100 + 200 + 100) / 4, 6);
  });

  it('gaps, turned sensors and frozen values are shown, not smoothed away', () => {
    const faulty = readingsOf(
      3600,
      channel([...Array<number>(24).fill(100), null, null, ...Array<number>(22).fill(100)]),
      channel(
        Array.from({ length: 48 }, (_, i) => -40 - i),
        { name: 'Turned', role: 'circuit' },
      ),
      channel([...Array<number>(30).fill(77), ...Array.from({ length: 18 }, (_, i) => i)], {
        name: 'Frozen',
        role: 'circuit',
      }),
    );
    const { gaps, channels, energyWh } = analyseReadings(faulty, zone);
    expect(gaps).toEqual([{ from: '2025-01-02T00:00', to: '2025-01-02T02:00', hours: 2 }]);
    expect(energyWh).toBe(4600);
    expect(channels.find(({ name }) => name === 'Turned')).toMatchObject({
      turnedRound: true,
      negativeShare: 1,
    });
    expect(channels.find(({ name }) => name === 'Frozen')!.frozen).toMatchObject({ hours: 30 });
    expect(analyseReadings(faulty, zone, new Set(['Turned'])).channels[1]!.turnedRound).toBe(false);
  });

  it('finds the sensor that sits the wrong way round in the demo', () => {
    const demo = analyseReadings(demoReadings(), zone);
    expect(demo.channels.filter(({ turnedRound }) => turnedRound).map(({ name }) => name)).toEqual([
      'Laundry',
    ]);
    expect(demo.from).toBe('mains');
  });
});

describe('packed readings', () => {
  it('come back to the last digit', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.constant(gap),
            fc.integer({ min: -2_147_483_647, max: 2_147_483_647 }),
            fc.integer({ min: 0, max: 900 }).map((n) => n * 1000),
          ),
        ),
        (values) => {
          const milli = Int32Array.from(values);
          expect(decodeMilli(encodeMilli(milli))).toEqual(milli);
        },
      ),
    );
  });

  it('take little more than a byte where they move little', () => {
    const milli = Int32Array.from({ length: 10_000 }, (_, i) => 100_000 + (i % 5) * 1000);
    expect(encodeMilli(milli).length).toBeLessThan(10_100);
  });

  it('that are cut off or of another kind are refused', () => {
    const bytes = encodeMilli(Int32Array.from([1, 2, 3]));
    expect(() => decodeMilli(bytes.slice(0, -1))).toThrow('cut off');
    expect(() => decodeMilli(Uint8Array.from([9, 1, 1]))).toThrow('unknown version');
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 40 }), (noise) => {
        try {
          decodeMilli(noise);
        } catch (error) {
          expect(error).toBeInstanceOf(Error);
        }
      }),
    );
  });
});

describe('measured use of a circuit', () => {
  const hours = Array.from({ length: 365 * 24 }, (_, i) => (i % 24 < 6 ? 0 : i % 24 === 8 ? 1500 : 0));
  const source = channel(hours, { name: 'Kettle', role: 'circuit' });
  const readings = { ...readingsOf(3600, source), startS: Date.UTC(2025, 0, 1) / 1000 };

  it('keeps the energy of each part of the day', () => {
    const measured = measuredUse(source, readings, 'UTC', false)!;
    const load = withMeasuredUse(aLoad({ quantity: 1 }), [aLoad()], measured, '2025-12-31');
    expect(measured.runningPowerW).toBeCloseTo(1500, 3);
    expect(dailyEnergyWh(load, 'winter')).toBeCloseTo(1500, 0);
    expect(load).toMatchObject({ basis: 'measured', measuredOn: '2025-12-31', dutyCycle: 1 });
  });

  it('keeps the energy of whatever is drawn, by property', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: 24, maxLength: 24 }),
        (profile) => {
          const values = Array.from({ length: 24 * 30 }, (_, i) => profile[i % 24]!);
          const one = channel(values, { role: 'circuit' });
          const list = { ...readingsOf(3600, one), startS: Date.UTC(2025, 0, 1) / 1000 };
          const measured = measuredUse(one, list, 'UTC', false);
          const total = profile.reduce((sum, w) => sum + (w > 0 ? w : 0), 0);
          if (!measured) {
            expect(Math.max(...profile)).toBeLessThanOrEqual(3);
            return;
          }
          const wh = dailyEnergyWh(withMeasuredUse(aLoad(), [aLoad()], measured, '2025-01-31'), 'winter');
          expect(Math.abs(wh - total)).toBeLessThanOrEqual(0.001 * total + 5);
        },
      ),
    );
  });

  it('shared by several loads, each keeps its power and its part', () => {
    const measured = measuredUse(source, readings, 'UTC', false)!;
    const use = { nightH: 0, morningH: 1, dayH: 0, eveningH: 0 };
    const pair = [1000, 500].map((runningPowerW, i) =>
      aLoad({ id: `l${i}`, runningPowerW, use: { winter: use, shoulder: use, summer: use } }),
    );
    const taken = pair.map((load) => withMeasuredUse(load, pair, measured, '2025-12-31'));
    expect(taken.map(({ runningPowerW }) => runningPowerW)).toEqual([1000, 500]);
    expect(taken.reduce((sum, load) => sum + dailyEnergyWh(load, 'winter'), 0)).toBeCloseTo(1500, 0);
  });

  it('spreads what is measured where nobody assumed any use', () => {
    const measured = measuredUse(source, readings, 'UTC', false)!;
    const use = { nightH: 1, morningH: 0, dayH: 0, eveningH: 0 };
    const pair = [1000, 500].map((runningPowerW, i) =>
      aLoad({ id: `l${i}`, runningPowerW, use: { winter: use, shoulder: use, summer: use } }),
    );
    const taken = pair.map((load) => withMeasuredUse(load, pair, measured, '2025-12-31'));
    expect(taken.reduce((sum, load) => sum + dailyEnergyWh(load, 'winter'), 0)).toBeCloseTo(1500, 0);
  });

  it('turns the seasons round in the south', () => {
    expect(seasonOfMonth(0, false)).toBe('winter');
    expect(seasonOfMonth(0, true)).toBe('summer');
    expect(seasonOfMonth(3, true)).toBe('shoulder');
  });

  it('is nothing for a channel that never draws', () => {
    const idle = channel([0, 1, 2, null], { role: 'circuit' });
    expect(measuredUse(idle, readingsOf(900, idle), zone, false)).toBeNull();
  });
});

describe('what the readings of some days come to, by hand', () => {
  // Three days by the hour: 1 kW by day and 2 kW from ten in the evening to six; 600 W sent out at noon; a fourth day of which an eighth is missing.
  const load = (i: number): number | null => {
    if (i >= 93) return null;
    const hour = i % 24;
    return hour >= 22 || hour < 6 ? 2000 : 1000;
  };
  const imported = Array.from({ length: 96 }, (_, i) => load(i));
  const sent = Array.from({ length: 96 }, (_, i) => (i % 24 === 12 ? 600 : 0));
  const analysis = analyseReadings(
    readingsOf(3600, channel(imported), channel(sent, { name: 'Export', role: 'export' })),
    zone,
  );

  it('days, the share of the night, and what is sent out by the hour', () => {
    expect(analysis.days).toBe(4);
    const all = imported.reduce<number>((sum, watts) => sum + (watts ?? 0), 0);
    // The last evening is missing.
    expect(analysis.nightShare).toBeCloseTo((3 * 8 * 2000 + 6 * 2000) / all, 6);
    expect(analysis.exportByHourWh![12]).toBeCloseTo(600, 6);
    expect(analysis.exportByHourWh![11]).toBe(0);
    expect(analysis.duration).toHaveLength(101);
  });

  it('a day of which more than a tenth is missing is no day of a month', () => {
    expect(analysis.months).toEqual([
      expect.objectContaining({ days: 3, lowestDayWh: 16 * 1000 + 8 * 2000 }),
    ]);
  });
});
