import { monthOf, type Season, seasonOfDay } from '../../nature/index.js';
import { reachedOf } from './reached-of.js';
import { causes, type Cause } from './outage-state.js';

/** Outages that begin in a month at a clock hour. */
export interface MapCell {
  readonly month: number;
  readonly clockHour: number;
  /** Hours survived: the shortest, the one that nine of ten reach, and the median. */
  readonly shortestH: number;
  readonly nineOfTenH: number;
  readonly medianH: number;
  /** Hour of the year of the shortest and the median one. */
  readonly shortestHour: number;
  readonly medianHour: number;
}

/** An outage of the year by its place in the order of hours survived. */
export interface YearMap {
  readonly cells: readonly MapCell[];
  /** Of all outages of the year: hours of the year at which the shortest, the median and the longest begin. */
  readonly worstHour: number;
  readonly medianHour: number;
  /** What fails first, counted; "none" counts those that reach the horizon. */
  readonly causes: readonly { readonly cause: Cause; readonly count: number }[];
}

/** Sums up how outages end that begin at each hour of a year, by month and clock hour. */
export function yearMap(survivedMin: ArrayLike<number>, cause: ArrayLike<number>): YearMap {
  const groups = new Map<number, number[]>();
  const known: number[] = [];
  for (let hour = 0; hour < survivedMin.length; hour += 1) {
    if (Number.isNaN(survivedMin[hour]!)) continue;
    known.push(hour);
    const key = monthOf(Math.floor(hour / 24)) * 24 + (hour % 24);
    const list = groups.get(key);
    if (list) list.push(hour);
    else groups.set(key, [hour]);
  }
  const inOrder = (hours: number[]): number[] => hours.toSorted((a, b) => survivedMin[a]! - survivedMin[b]!);
  const cells = [...groups.entries()].map(([key, hours]): MapCell => {
    const order = inOrder(hours);
    const shortestHour = order[0]!;
    const medianHour = order[Math.floor((order.length - 1) / 2)]!;
    return {
      month: Math.floor(key / 24),
      clockHour: key % 24,
      shortestH: survivedMin[shortestHour]! / 60,
      nineOfTenH: survivedMin[order[Math.floor((order.length - 1) * 0.1)]!]! / 60,
      medianH: survivedMin[medianHour]! / 60,
      shortestHour,
      medianHour,
    };
  });
  const order = inOrder(known);
  const counts = new Map<number, number>();
  for (const hour of known) counts.set(cause[hour]!, (counts.get(cause[hour]!) ?? 0) + 1);
  return {
    cells,
    worstHour: order[0] ?? 0,
    medianHour: order[Math.floor((order.length - 1) / 2)] ?? 0,
    causes: [...counts.entries()]
      .map(([index, count]) => ({ cause: causes[index]!, count }))
      .toSorted((a, b) => b.count - a.count),
  };
}

/** Hours of the year in a season. */
export function hoursOfSeason(season: Season, latitudeDeg: number): number[] {
  const hours: number[] = [];
  for (let day = 0; day < 365; day += 1) {
    if (seasonOfDay(day, latitudeDeg) === season) for (let h = 0; h < 24; h += 1) hours.push(day * 24 + h);
  }
  return hours;
}

/** How many minutes a share of outages reaches at least: 0.95 gives what 19 of 20 reach. */
export function reachedMin(survivedMin: ArrayLike<number>, hours: readonly number[], share: number): number {
  const values = hours.map((hour) => survivedMin[hour]!).filter((value) => !Number.isNaN(value));
  if (values.length === 0) return NaN;
  values.sort((a, b) => a - b);
  return reachedOf(values, share);
}
