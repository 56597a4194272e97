import { houseZone, instantOf, type Site } from '../../house/index.js';
import { standardOffsetS } from '../../nature/index.js';
import type { TimeGrid } from '../../tariff/details.js';
import { type IntervalMin, intervalsOfYear } from './year-grid.js';

/** The year whose weekdays, holidays and days of change a played year has: no leap year. */
export const calendarYear = 2026;

/** A year on the clock of the house, and how its first interval lies in years that begin at midnight of standard time. */
export interface YearClock {
  readonly grid: TimeGrid;
  /** Intervals by which a year of standard time is turned, so that it begins as the grid does. */
  readonly shift: number;
}

/** The calendar year from midnight of the house's clock on: 365 days. */
export function yearClock(site: Site, intervalMin: IntervalMin): YearClock {
  const zone = houseZone(site);
  const intervalS = intervalMin * 60;
  const startS = Date.parse(instantOf(`${calendarYear}-01-01T00:00`, zone)!) / 1000;
  const standardS = Date.UTC(calendarYear, 0, 1) / 1000 - standardOffsetS(zone);
  return {
    grid: { startS, intervalS, count: intervalsOfYear(intervalMin), zone },
    shift: Math.round((startS - standardS) / intervalS),
  };
}

/** A year that begins so many intervals later: by the shift of a clock one of standard time begins with its grid. */
export function turned(energyWh: Float64Array, shift: number): Float64Array {
  if (shift === 0) return energyWh;
  const { length } = energyWh;
  return energyWh.map((_, i) => energyWh[(i + shift + length) % length]!);
}
