import type { Season } from '../../nature/index.js';
import type { MinuteWindow } from './demand-sum.js';
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
