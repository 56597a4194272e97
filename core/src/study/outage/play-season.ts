import type { Season } from '../../nature/index.js';
import type { KeptYear } from './kept-year.js';
import { outageFates } from './outage-fates.js';
import { outagePlan, type OutageYear } from './outage-plan.js';
import { horizonMin } from './outage-study.js';
import type { PlayedSeason } from './played-season.js';
import { type SeasonWindow, seasonWindows } from './season-windows.js';

/** How a season is played. */
export interface SeasonWish {
  /** Hours of a stretch at which outages begin. */
  readonly startsOf: (window: SeasonWindow) => readonly number[];
  /** How long each is followed; a week where nothing is said. */
  readonly followedMin?: number;
  /** Charge at an hour of the year, Wh; that of the job where nothing is said. */
  readonly chargeWh?: (hourOfYear: number) => number;
}

/**
 * Plays outages that begin in a season of a prepared year.
 *
 * @param kept what is known already of this very year
 */
export function playSeason(
  year: OutageYear,
  season: Season,
  { startsOf, followedMin = horizonMin, chargeWh }: SeasonWish,
  kept?: KeptYear,
): PlayedSeason {
  const begins: number[] = [];
  const survived: number[] = [];
  const causes: number[] = [];
  for (const stretch of seasonWindows(season, year.weather.latitudeDeg, followedMin)) {
    const { firstDay, hours, window } = stretch;
    const starts = startsOf(stretch);
    const sum = kept?.demandOf(year.house, window);
    const plan = outagePlan(year, window.fromMinute, window.minutes, sum);
    const hourOfYear = (hour: number): number => (firstDay * 24 + hour) % 8760;
    const chargeAt = chargeWh && ((hour: number): number => chargeWh(hourOfYear(hour)));
    const { survivedMin, cause } = outageFates(plan, {
      hours,
      starts,
      horizonMin: followedMin,
      ...(chargeAt ? { chargeAt } : {}),
    });
    for (const hour of starts) {
      begins.push(hourOfYear(hour) * 60);
      survived.push(survivedMin[hour]!);
      causes.push(cause[hour]!);
    }
  }
  return {
    startMinute: Float64Array.from(begins),
    survivedMin: Float32Array.from(survived),
    cause: Uint8Array.from(causes),
  };
}
