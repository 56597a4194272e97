import { localTimes } from '../nature/index.js';
import { bandsOfDay } from './bands-of-day.js';
import { publicHolidays } from './holidays.js';
import type { Tariff } from './tariff.schema.js';

/** An even grid of time. */
export interface TimeGrid {
  /** Begin of the first interval, seconds since 1970 in UTC. */
  readonly startS: number;
  readonly intervalS: number;
  readonly count: number;
  /** Zone of the house. */
  readonly zone: string;
}

/** A calendar month of the grid. */
export interface BillingMonth {
  readonly year: number;
  /** 1 = January. */
  readonly month: number;
  /** Days of it that the grid covers, and that it has. */
  readonly days: number;
  readonly ofDays: number;
}

/** What of a tariff holds in each interval: indices into its bands and seasons, and into the months. */
export interface PriceCalendar {
  readonly grid: TimeGrid;
  readonly band: Uint8Array;
  readonly season: Uint8Array;
  readonly month: Uint16Array;
  readonly months: readonly BillingMonth[];
  /** The tariff names a place whose holidays are not known. */
  readonly holidaysUnknown: boolean;
}

/** The season a day belongs to: the one that began last. */
export function seasonIndexOf({ seasons }: Pick<Tariff, 'seasons'>, month: number, day: number): number {
  const key = (m: number, d: number): number => m * 100 + d;
  let best = -1;
  let bestKey = -1;
  let latest = 0;
  let latestKey = -1;
  seasons.forEach(({ fromMonth, fromDay }, index) => {
    const begin = key(fromMonth, fromDay);
    if (begin > latestKey) [latest, latestKey] = [index, begin];
    if (begin <= key(month, day) && begin > bestKey) [best, bestKey] = [index, begin];
  });
  return best < 0 ? latest : best;
}

/** Works out season, band and month of every interval, counted at its begin. */
export function priceCalendar(tariff: Tariff, grid: TimeGrid): PriceCalendar {
  const { startS, intervalS, count, zone } = grid;
  const times = localTimes(startS, intervalS, count, zone, tariff.clock);
  const firstYear = new Date(times.firstDay * 86_400_000).getUTCFullYear();
  const lastYear = new Date((times.firstDay + times.dayCount) * 86_400_000).getUTCFullYear();
  const years = Array.from({ length: lastYear - firstYear + 1 }, (_, i) => firstYear + i);
  const publicDays = publicHolidays(tariff.holidays, years);
  const holidays = new Set([
    ...(publicDays ?? []),
    ...tariff.extraHolidays.map((day) => Date.parse(`${day}T00:00:00Z`) / 86_400_000),
  ]);
  const band = new Uint8Array(count);
  const season = new Uint8Array(count);
  const month = new Uint16Array(count);
  const months: { year: number; month: number; days: number; ofDays: number }[] = [];
  // Bands by minute of the day, for each season and kind of day once.
  const dayPlans = new Map<number, Uint8Array>();
  const dayPlan = (seasonIndex: number, isWeekend: boolean): Uint8Array => {
    const key = seasonIndex * 2 + Number(isWeekend);
    const known = dayPlans.get(key);
    if (known) return known;
    const plan = bandsOfDay(tariff, seasonIndex, isWeekend);
    dayPlans.set(key, plan);
    return plan;
  };
  let day = -1;
  let present: { season: number; month: number; plan: Uint8Array } = {
    season: 0,
    month: 0,
    plan: new Uint8Array(1440),
  };
  for (let i = 0; i < count; i += 1) {
    if (times.day[i] !== day) {
      day = times.day[i]!;
      const dayNumber = times.firstDay + day;
      const date = new Date(dayNumber * 86_400_000);
      const [year, monthOfYear] = [date.getUTCFullYear(), date.getUTCMonth() + 1];
      const last = months.at(-1);
      if (last?.year !== year || last.month !== monthOfYear) {
        const ofDays = new Date(Date.UTC(year, monthOfYear, 0)).getUTCDate();
        months.push({ year, month: monthOfYear, days: 0, ofDays });
      }
      months.at(-1)!.days += 1;
      const seasonIndex = seasonIndexOf(tariff, monthOfYear, date.getUTCDate());
      const isWeekend = times.weekday[i]! >= 5 || holidays.has(dayNumber);
      present = { season: seasonIndex, month: months.length - 1, plan: dayPlan(seasonIndex, isWeekend) };
    }
    band[i] = present.plan[times.minute[i]!]!;
    season[i] = present.season;
    month[i] = present.month;
  }
  return { grid, band, season, month, months, holidaysUnknown: publicDays === null };
}
