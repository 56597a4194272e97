import type { Catalogue } from '../../equipment/index.js';
import { comfortOutages, comfortShare, comfortTiers } from './comfort-outages.js';
import type { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playOutage } from './play-outage.js';

/**
 * Share of the energy that loads of the tiers "should" and "may" would take in the required hours, of the whole house and a household living as
 * usual, which a design serves; over outages spread evenly through the design season of one year; to the thousandth.
 *
 * @returns null where nothing is backed up, or the house has no such loads
 */
export function comfortServed(study: OutageStudy, catalogue: Catalogue, kept: KeptYear): number | null {
  const year = studyYear(study, catalogue, kept.seed, kept);
  if (year === null) return null;
  const { fromMinutes, minutes, wantedWh } = comfortOutages(study, year, kept);
  let servedWh = 0;
  for (const from of fromMinutes) {
    const { servedW } = playOutage(year, from, minutes);
    // What runs on the battery while the grid is watched, afterwards, does not count.
    for (const tier of comfortTiers)
      for (let minute = 0; minute < minutes; minute += 1) servedWh += servedW[tier][minute]! / 60;
  }
  return wantedWh > 0 ? comfortShare(servedWh, wantedWh) : null;
}
