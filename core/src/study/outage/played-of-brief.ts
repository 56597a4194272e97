import type { Catalogue } from '../../equipment/index.js';
import { settingsOf, studiedPart } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playSeason } from './play-season.js';
import type { PlayedSeason } from './played-season.js';
import { type RuntimeQuestion, runtimeQuestion } from './runtime-question.js';
import { startsOfBrief } from './season-windows.js';

/**
 * Everything that the outages of a year rest on beside its weather and switching. What is required of them only decides how long they
 * are followed.
 */
function restsOn({ study, followedMin }: RuntimeQuestion, catalogue: Catalogue): string {
  const { brief, ...plan } = studiedPart(study.plan);
  const { requiredRuntimeH: _required, notes: _notes, ...settings } = brief;
  const units = catalogue.filter(({ id }) => study.parts.some(({ unitId }) => unitId === id));
  const weather = study.weather && [study.weather.name, study.weather.source];
  return JSON.stringify([plan, settings, study.islandId, study.parts, units, weather, followedMin]);
}

/**
 * The outages of one year that the brief asks to get through.
 *
 * @param kept the year; what it knows is used again
 * @returns null where nothing is backed up
 */
export function playedOfBrief(asked: OutageStudy, catalogue: Catalogue, kept: KeptYear): PlayedSeason | null {
  const question = runtimeQuestion(asked);
  return kept.played(restsOn(question, catalogue), () => play(asked, question, catalogue, kept));
}

function play(
  asked: OutageStudy,
  question: RuntimeQuestion,
  catalogue: Catalogue,
  kept: KeptYear,
): PlayedSeason | null {
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
