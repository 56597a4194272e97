import type { Catalogue } from '../../equipment/index.js';
import { settingsOf } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { type BriefTally, noTally } from './brief-tally.js';
import { mostShort } from './most-short.js';
import { outageFates } from './outage-fates.js';
import { outagePlan } from './outage-plan.js';
import { causes } from './outage-state.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { overloadCauses } from './outlook-of.js';
import { runtimeQuestion, seedsOf } from './runtime-question.js';
import { seasonWindows, startsOfBrief } from './season-windows.js';

/**
 * Counts the outages of some years that end before the required hours, and gives up as soon as there are more than may be in
 * all years of the question: what does not hold is found out quickly.
 *
 * @param kept the years; what they know is used again
 * @param before what was counted in other years
 * @returns counts of these years alone
 */
export function tallyOfBrief(
  asked: OutageStudy,
  catalogue: Catalogue,
  kept: readonly KeptYear[],
  before: BriefTally = noTally,
): BriefTally {
  const { study, requiredH, followedMin } = runtimeQuestion(asked);
  const settings = settingsOf(study.plan);
  const requiredMin = requiredH * 60;
  let short = 0;
  let overloaded = 0;
  let perYear = 0;
  for (const one of kept) {
    const year = studyYear(study, catalogue, one.seed, one);
    if (year === null) return noTally;
    const windows = seasonWindows(settings.designSeason.value, year.weather.latitudeDeg, followedMin).map(
      (stretch) => ({ ...stretch, starts: startsOfBrief(stretch, study.plan.outage.days, year.weather) }),
    );
    perYear = windows.reduce((sum, { starts }) => sum + starts.length, 0);
    const most = mostShort(study.plan, perYear * seedsOf(study.plan).length);
    const goesOn = (): boolean =>
      before.short + short <= most.short && before.overloaded + overloaded <= most.overloaded;
    // Windows are those of the whole question, so that their demand is at hand for both.
    for (const { hours, window, starts } of windows) {
      if (!goesOn()) break;
      const plan = outagePlan(year, window.fromMinute, window.minutes, one.demandOf(year.house, window));
      outageFates(plan, {
        hours,
        starts,
        horizonMin: Math.ceil(requiredMin),
        ended: (survivedMin, cause) => {
          if (survivedMin < requiredMin - 1e-6) {
            short += 1;
            if (overloadCauses.includes(causes[cause]!)) overloaded += 1;
          }
          return goesOn();
        },
      });
    }
  }
  return { count: perYear * kept.length, short, overloaded };
}
