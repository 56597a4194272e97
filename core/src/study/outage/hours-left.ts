import type { Catalogue } from '../../equipment/index.js';
import { settingsOf } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { outageFates } from './outage-fates.js';
import { outagePlan } from './outage-plan.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { reachedOf } from './reached-of.js';
import { runtimeQuestion } from './runtime-question.js';
import { seasonWindows, startsOfBrief } from './season-windows.js';

/** How long is left with so much in the battery. */
export interface HoursLeft {
  /** Share of the usable energy when it begins. */
  readonly charge: number;
  /** Hours that 19 of 20 outages of the design season reach from there, and half of them. */
  readonly nineteenOfTwentyH: number;
  readonly medianH: number;
}

/**
 * How long a house lasts from different charges, by the same outages that the runtime rests on: those that begin in the design season of
 * the years, every four hours.
 *
 * @param study with the loads that are on, and the arrays that count
 * @param charges shares of the usable energy
 * @param kept the years; what they know is used again
 * @returns nothing where nothing is backed up; hours as long as the outages are followed stand for "at least"
 */
export function hoursLeft(
  study: OutageStudy,
  catalogue: Catalogue,
  charges: readonly number[],
  kept: readonly KeptYear[],
): HoursLeft[] {
  const { followedMin } = runtimeQuestion(study);
  const season = settingsOf(study.plan).designSeason.value;
  const survived = charges.map((): number[] => []);
  for (const one of kept) {
    const year = studyYear(study, catalogue, one.seed, one);
    if (year === null) return [];
    const { usableWh } = year.hardware;
    for (const stretch of seasonWindows(season, year.weather.latitudeDeg, followedMin)) {
      const { hours, window } = stretch;
      const starts = startsOfBrief(stretch, study.plan.outage.days, year.weather);
      const plan = outagePlan(year, window.fromMinute, window.minutes, one.demandOf(year.house, window));
      charges.forEach((charge, index) => {
        const { survivedMin } = outageFates(plan, {
          hours,
          starts,
          horizonMin: followedMin,
          chargeAt: () => charge * usableWh,
        });
        for (const hour of starts) survived[index]!.push(survivedMin[hour]!);
      });
    }
  }
  return charges.map((charge, index): HoursLeft => {
    const sorted = survived[index]!.toSorted((a, b) => a - b);
    return {
      charge,
      nineteenOfTwentyH: reachedOf(sorted, 0.95) / 60,
      medianH: reachedOf(sorted, 0.5) / 60,
    };
  });
}
