import type { Season, WeatherYear } from '../../nature/index.js';
import type { Scenario } from '../../design/index.js';
import type { MinuteWindow } from './demand-sum.js';
import { extremeDays, stormyDays } from './hard-days.js';
import { minutesOfDay } from './minutes.js';
import { windowFor } from './outage-fates.js';
import { seasonStretch } from './season-stretch.js';

/** A stretch of a season, and the minutes that outages which begin in it may last. */
export interface SeasonWindow {
  readonly firstDay: number;
  readonly hours: number;
  readonly window: MinuteWindow;
}

/**
 * What has to be prepared for the outages of a season.
 *
 * @param followedMin how long each is followed
 */
export const seasonWindows = (season: Season, latitudeDeg: number, followedMin: number): SeasonWindow[] =>
  seasonStretch(season, latitudeDeg).map(({ firstDay, days }) => ({
    firstDay,
    hours: days * 24,
    window: { fromMinute: firstDay * minutesOfDay, minutes: windowFor(days * 24, followedMin) },
  }));

/** Hours of a stretch, so many apart. */
export const everyHours =
  (everyH: number) =>
  ({ hours }: Pick<SeasonWindow, 'hours'>): number[] =>
    Array.from({ length: Math.ceil(hours / everyH) }, (_, index) => index * everyH);

/** An outage of the brief begins every so many hours: some five hundred in a season. */
const runtimeEveryH = 4;

/** The hours of a stretch at which the outages of the brief begin: every four, on the days it draws them from. */
export function startsOfBrief(
  { firstDay, hours }: Pick<SeasonWindow, 'firstDay' | 'hours'>,
  days: Scenario['days'],
  weather: WeatherYear,
): number[] {
  const hard = days === 'stormy' ? stormyDays(weather) : days === 'extreme' ? extremeDays(weather) : null;
  return everyHours(runtimeEveryH)({ hours }).filter(
    (hour) => hard === null || hard[(firstDay + Math.floor(hour / 24)) % 365] === 1,
  );
}
