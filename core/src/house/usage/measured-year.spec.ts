import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { measuredYear } from './measured-year.js';
import type { Channel, Readings } from './readings.js';
import { gap } from './readings.js';

const channel = (name: string, role: Channel['role'], milli: Int32Array): Channel => ({
  name,
  role,
  quantity: 'power',
  milli,
});

/** A year of readings on the clock of a zone; watts by what the wall shows. */
function readingsOf(
  zone: string,
  from: string,
  days: number,
  intervalS: number,
  wattsOf: (at: DateTime) => number,
): Readings {
  const startS = DateTime.fromISO(from, { zone }).toSeconds();
  const count = (days * 86_400) / intervalS;
  const milli = Int32Array.from({ length: count }, (_, i) => {
    const watts = wattsOf(DateTime.fromSeconds(startS + i * intervalS, { zone }));
    return Number.isNaN(watts) ? gap : watts * 1000;
  });
  return { startS, intervalS, count, channels: [channel('in', 'import', milli)] };
}

describe('a measured year', () => {
  it('keeps weekends on weekends, whatever year they were measured in', () => {
    for (const from of ['2024-03-05', '2025-01-01', '2023-11-20']) {
      const readings = readingsOf('UTC', from, 365, 3600, (at) => (at.weekday >= 6 ? 900 : 100));
      const { netWh, covered } = measuredYear(readings, 'UTC', 2026)!;
      expect(covered).toBeGreaterThan(0.98);
      let wrong = 0;
      for (let day = 0; day < 365; day += 1) {
        const weekend = DateTime.utc(2026, 1, 1).plus({ days: day }).weekday >= 6;
        if (!Number.isNaN(netWh[day * 24 + 5]!) && netWh[day * 24 + 5] !== (weekend ? 900 : 100)) wrong += 1;
      }
      // Where two years meet, a day or two may mix.
      expect(wrong).toBeLessThanOrEqual(8);
    }
  });

  it('stands on standard time: what is at 18 on the wall in summer is at 17', () => {
    const readings = readingsOf('Europe/Vienna', '2025-01-01', 365, 900, (at) => (at.hour === 18 ? 4000 : 0));
    const { netWh, intervalMin } = measuredYear(readings, 'Europe/Vienna', 2026)!;
    expect(intervalMin).toBe(15);
    const at = (day: number, hour: number): number => netWh[day * 96 + hour * 4]!;
    expect([at(15, 18), at(15, 17), at(190, 17), at(190, 18)]).toEqual([1000, 0, 1000, 0]);
  });

  it('has gaps where nothing was measured, and knows nothing of a house whose circuits alone are measured', () => {
    const readings = readingsOf('UTC', '2025-01-01', 60, 3600, (at) => (at.day === 3 ? NaN : 500));
    const { covered, netWh } = measuredYear(readings, 'UTC', 2025)!;
    expect(covered).toBeCloseTo(58 / 365, 9);
    expect(netWh[2 * 24]).toBeNaN();
    expect(netWh[4 * 24]).toBe(500);
    const circuits = {
      ...readings,
      channels: readings.channels.map((one) => ({ ...one, role: 'circuit' as const })),
    };
    expect(measuredYear(circuits, 'UTC', 2025)).toBeNull();
  });

  it('knows the sun where it is measured', () => {
    const readings = readingsOf('UTC', '2025-01-01', 365, 3600, () => 300);
    const solar = channel('sun', 'solar', new Int32Array(readings.count).fill(700_000));
    const sent = channel('out', 'export', new Int32Array(readings.count).fill(200_000));
    const { netWh, solarWh } = measuredYear(
      { ...readings, channels: [...readings.channels, solar, sent] },
      'UTC',
      2025,
    )!;
    expect([netWh[100], solarWh![100]]).toEqual([100, 700]);
  });
});
