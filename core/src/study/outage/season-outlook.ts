import type { Season } from '../../nature/index.js';
import type { OutageYear } from './outage-plan.js';
import { horizonMin } from './outage-study.js';
import { outlookOf, type SeasonOutlook } from './outlook-of.js';
import { playSeason, type SeasonWish } from './play-season.js';

/** Plays outages of one year that begin in a season. */
export function seasonOutlook(
  year: OutageYear,
  season: Season,
  wish: SeasonWish & { readonly requiredH: number },
): SeasonOutlook {
  return outlookOf([playSeason(year, season, wish)], wish.requiredH, wish.followedMin ?? horizonMin);
}
