import type { Catalogue } from '../../equipment/index.js';
import { settingsOf } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playSeason, type PlayedSeason } from './play-season.js';
import { runtimeQuestion } from './runtime-question.js';
import { startsOfBrief } from './season-windows.js';

/**
 * The outages of one year that the brief asks to get through.
 *
 * @param kept the year; what it knows is used again
 * @returns null where nothing is backed up
 */
export function playedOfBrief(asked: OutageStudy, catalogue: Catalogue, kept: KeptYear): PlayedSeason | null {
  const question = runtimeQuestion(asked);
  const year = studyYear(question.study, catalogue, kept.seed, kept);
  if (year === null) return null;
  const season = settingsOf(asked.plan).designSeason.value;
  const { days } = asked.plan.outage;
  return playSeason(
    year,
    season,
    {
      startsOf: (stretch) => startsOfBrief(stretch, days, year.weather),
      followedMin: question.followedMin,
    },
    kept,
  );
}
