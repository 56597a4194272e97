import type { Catalogue } from '../../equipment/index.js';
import { type OutageStudy, type OutageYear, studyYear } from '../../study/details.js';
import { seedsOf } from '../../study/index.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { knownWeather } from './known-weather.js';
import { minuteOfYear } from './minute-of-year.js';

/** One of the years of weather and switching an outage is held against. */
export interface ReckonedYear {
  readonly seed: number;
  /** As it was predicted. */
  readonly year: OutageYear;
  /** As warm as it was; null = nobody knows how warm that was. */
  readonly met: OutageYear | null;
  /** Of the year, when the outage began. */
  readonly fromMinute: number;
}

/**
 * The years an outage is held against, one by each seed of its study.
 *
 * @returns none where nothing is backed up, or the units do not go together
 */
export const reckonedYears = (study: OutageStudy, known: KnownOutage, catalogue: Catalogue): ReckonedYear[] =>
  seedsOf(study.plan).flatMap((seed): ReckonedYear[] => {
    const year = studyYear(study, catalogue, seed);
    if (!year) return [];
    const fromMinute = minuteOfYear(known.outage.from, year.weather.zoneH);
    const weather = knownWeather(known, year.weather, fromMinute);
    const met = weather && studyYear({ ...study, weather }, catalogue, seed);
    return [{ seed, year, met, fromMinute }];
  });
