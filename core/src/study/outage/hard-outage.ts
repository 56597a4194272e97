import { settingsOf } from '../../design/index.js';
import type { Catalogue } from '../../equipment/index.js';
import type { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playedOfBrief } from './played-of-brief.js';
import { runtimeQuestion } from './runtime-question.js';
import { seasonWindows, startsOfBrief } from './season-windows.js';

/** Share of the outages that go worse than the one that stands for the hard ones. */
const hardShare = 0.05;

/**
 * The minute of the year at which an outage begins that 19 of 20 of the brief outlast or equal: one to look at.
 *
 * @returns null where nothing is backed up
 */
export function hardOutage(asked: OutageStudy, catalogue: Catalogue, kept: KeptYear): number | null {
  const { study, followedMin } = runtimeQuestion(asked);
  const played = playedOfBrief(asked, catalogue, kept);
  const year = played && studyYear(study, catalogue, kept.seed, kept);
  if (!played || !year) return null;
  const season = settingsOf(asked.plan).designSeason.value;
  const { days } = asked.plan.outage;
  const starts = seasonWindows(season, year.weather.latitudeDeg, followedMin).flatMap((stretch) =>
    startsOfBrief(stretch, days, year.weather).map((hour) => ((stretch.firstDay * 24 + hour) % 8760) * 60),
  );
  const order = starts.map((_, index) => index);
  order.sort((a, b) => played.survivedMin[a]! - played.survivedMin[b]!);
  return starts[order[Math.floor(hardShare * order.length)]!] ?? null;
}
