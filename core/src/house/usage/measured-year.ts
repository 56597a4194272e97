import { localTimes, weekdayOf } from '../../nature/index.js';
import { houseDemand } from './house-demand.js';
import type { Readings } from './readings.js';

const dayS = 86_400;
const dayNumber = (year: number): number => Date.UTC(year, 0, 1) / 1000 / dayS;

/** What a meter measured, as a year of 365 days of standard time, Wh in each interval; NaN where nothing was measured. */
export interface MeasuredYear {
  readonly intervalMin: 15 | 30 | 60;
  /** Taken from the grid less what was sent to it. */
  readonly netWh: Float64Array;
  /** What the array gave, where that was measured. */
  readonly solarWh: Float64Array | null;
  /** Share of the year that was measured. */
  readonly covered: number;
}

/** Lengths of intervals in which a year is kept: that of the data, where it divides an hour. */
export const yearIntervalMin = (intervalS: number): MeasuredYear['intervalMin'] =>
  intervalS <= 900 ? 15 : intervalS <= 1800 ? 30 : 60;

/**
 * Readings as the year of a calendar: every day stands on the nearest day of the same weekday, so that weekends stay weekends; what was
 * measured in several years is their mean.
 *
 * @returns null where the readings know circuits only
 */
export function measuredYear(readings: Readings, zone: string, calendarYear: number): MeasuredYear | null {
  const { importW, exportW, loadW, hasSolar, from } = houseDemand(readings);
  if (from === 'circuits') return null;
  const { startS, intervalS, count } = readings;
  const intervalMin = yearIntervalMin(intervalS);
  const perDay = 1440 / intervalMin;
  const cells = 365 * perDay;
  const netWh = new Float64Array(cells);
  const solarWh = new Float64Array(cells);
  const times = localTimes(startS, intervalS, count, zone, 'standard');
  const hoursOfCell = intervalMin / 60;
  const measuredH = new Float64Array(cells);
  const calendarBegin = weekdayOf(dayNumber(calendarYear));
  // Longer intervals than a cell stand in all of their cells.
  const spans = Math.max(1, Math.round(intervalS / 60 / intervalMin));
  let known = { day: -1, cell: 0 };
  for (let i = 0; i < count; i += 1) {
    if (Number.isNaN(importW[i]!)) continue;
    if (times.day[i] !== known.day) {
      const day = times.firstDay + times.day[i]!;
      const begin = dayNumber(new Date(day * dayS * 1000).getUTCFullYear());
      const shift = ((weekdayOf(begin) - calendarBegin + 10) % 7) - 3;
      known = { day: times.day[i]!, cell: ((day - begin + shift + 365) % 365) * perDay };
    }
    const first = known.cell + Math.floor(times.minute[i]! / intervalMin);
    const partH = Math.min(hoursOfCell, intervalS / 3600);
    const net = importW[i]! - exportW[i]!;
    for (let span = 0; span < spans; span += 1) {
      const cell = (first + span) % cells;
      netWh[cell]! += net * partH;
      solarWh[cell]! += (loadW[i]! - net) * partH;
      measuredH[cell]! += partH;
    }
  }
  let covered = 0;
  for (let cell = 0; cell < cells; cell += 1) {
    const h = measuredH[cell]!;
    // Less than half a cell says little of it.
    if (h < hoursOfCell / 2) netWh[cell] = solarWh[cell] = NaN;
    else {
      netWh[cell] = (netWh[cell]! * hoursOfCell) / h;
      solarWh[cell] = (solarWh[cell]! * hoursOfCell) / h;
      covered += 1;
    }
  }
  return { intervalMin, netWh, solarWh: hasSolar ? solarWh : null, covered: covered / cells };
}
