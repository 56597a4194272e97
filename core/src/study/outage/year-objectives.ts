import type { Catalogue } from '../../equipment/index.js';
import type { KeptYear } from './kept-year.js';
import type { OutageStudy } from './outage-study.js';
import { outlookOf } from './outlook-of.js';
import { playedOfBrief } from './played-of-brief.js';
import { runtimeQuestion } from './runtime-question.js';

/**
 * The hours that 19 of 20 outages of one year reach, and the share of them that reach what is required: what designs are searched by. Both
 * only grow with the battery.
 *
 * @returns null where nothing is backed up
 */
export function yearObjectives(
  study: OutageStudy,
  catalogue: Catalogue,
  kept: KeptYear,
): readonly [hoursH: number, requiredShare: number] | null {
  const played = playedOfBrief(study, catalogue, kept);
  if (!played) return null;
  const { requiredH, followedMin } = runtimeQuestion(study);
  const { nineteenOfTwentyH, requiredShare } = outlookOf([played], requiredH, followedMin);
  return [nineteenOfTwentyH, requiredShare];
}
