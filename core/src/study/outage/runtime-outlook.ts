import type { Catalogue } from '../../equipment/index.js';
import { outlookOf, type SeasonOutlook } from './outlook-of.js';
import { KeptYear } from './kept-year.js';
import type { OutageStudy } from './outage-study.js';
import { playedOfBrief } from './played-of-brief.js';
import { runtimeQuestion, seedsOf } from './runtime-question.js';

/**
 * The outages the brief asks to get through: those that begin in the design season of five years, with the sun it counts on.
 *
 * @param kept years that were asked before; what they know is used again
 * @returns null where nothing is backed up
 */
export function runtimeOutlook(
  study: OutageStudy,
  catalogue: Catalogue,
  kept: readonly KeptYear[] = seedsOf(study.plan).map((seed) => new KeptYear(seed)),
): SeasonOutlook | null {
  const { requiredH, followedMin } = runtimeQuestion(study);
  const years = kept.map((year) => playedOfBrief(study, catalogue, year)).filter((played) => played !== null);
  return years.length === 0 ? null : outlookOf(years, requiredH, followedMin);
}
