import type { Season } from '../../nature/index.js';
import { hoursOfSeason } from './year-map.js';

/** How likely outages of a length are got through, and how sure that is. */
export interface SurvivalPoint {
  readonly hours: number;
  readonly share: number;
  /** 90 % of the years lie between these two. */
  readonly low: number;
  readonly high: number;
}

/** Lengths at which survival is shown, h. */
export const survivalHours: readonly number[] = [
  1, 2, 4, 6, 8, 12, 16, 20, 24, 30, 36, 42, 48, 60, 72, 84, 96, 120, 144, 168,
];

/**
 * Share of the outages beginning in a season that are got through, by length. Each seed is a year of its own; the band holds
 * nine tenths of the years (their 5th and 95th percentile, with few years the least and the most).
 *
 * @param years for each seed minutes survived by hour of the year; NaN for hours that were not played
 */
export function survivalCurve(
  years: readonly ArrayLike<number>[],
  season: Season | 'year',
  latitudeDeg: number,
): SurvivalPoint[] {
  const hours =
    season === 'year'
      ? Array.from({ length: years[0]?.length ?? 0 }, (_, hour) => hour)
      : hoursOfSeason(season, latitudeDeg);
  const played = years.map((survivedMin) =>
    hours.map((hour) => survivedMin[hour]!).filter((value) => !Number.isNaN(value)),
  );
  return survivalHours.map((length): SurvivalPoint => {
    const shares = played
      .map(
        (values) => values.filter((value) => value >= length * 60 - 1e-6).length / Math.max(1, values.length),
      )
      .toSorted((a, b) => a - b);
    const place = (share: number): number =>
      shares[Math.min(shares.length - 1, Math.floor(share * shares.length))] ?? NaN;
    return {
      hours: length,
      share: shares.reduce((sum, share) => sum + share, 0) / Math.max(1, shares.length),
      low: place(0.05),
      high: place(0.95),
    };
  });
}

/** Share of outages on record that a house gets through: each of its length, at any hour of the year. */
export function recordSurvived(years: readonly ArrayLike<number>[], lengthsMin: readonly number[]): number {
  if (lengthsMin.length === 0) return NaN;
  let sum = 0;
  let count = 0;
  for (const survivedMin of years) {
    const values = Array.from(survivedMin).filter((value) => !Number.isNaN(value));
    for (const lengthMin of lengthsMin) {
      sum += values.filter((value) => value >= lengthMin - 1e-6).length / Math.max(1, values.length);
      count += 1;
    }
  }
  return sum / count;
}
