import type { Catalogue } from '../../equipment/index.js';
import type { KeptYear } from './kept-year.js';
import type { OutageStudy } from './outage-study.js';
import { playedOfBrief } from './played-of-brief.js';

/** Share of the outages that go worse than the one that stands for the hard ones. */
const hardShare = 0.05;

/**
 * The minute of the year at which an outage begins that 19 of 20 of the brief outlast or equal: one to look at.
 *
 * @returns null where nothing is backed up
 */
export function hardOutage(study: OutageStudy, catalogue: Catalogue, kept: KeptYear): number | null {
  const played = playedOfBrief(study, catalogue, kept);
  if (!played) return null;
  const { startMinute, survivedMin } = played;
  const order = [...survivedMin.keys()].sort((a, b) => survivedMin[a]! - survivedMin[b]!);
  return startMinute[order[Math.floor(hardShare * order.length)]!] ?? null;
}
