import type { Catalogue } from '../../equipment/index.js';
import { type Plan, settingsOf } from '../../design/index.js';
import { seasonOutlook, studyYear, type OutageStudy, type SeasonOutlook } from './outage-study.js';

/** An outage begins every so many hours: some five hundred in a season. */
const everyH = 4;

/**
 * The outages the brief asks to get through: those that begin in the design season, with the sun it counts on, followed for
 * half as long again as is required and for three days at least.
 *
 * @returns null where nothing is backed up
 */
export function runtimeOutlook(study: OutageStudy, catalogue: Catalogue): SeasonOutlook | null {
  const { plan } = study;
  const settings = settingsOf(plan);
  const sunless: Plan = { ...plan, sources: { ...plan.sources, arrays: [] } };
  const played = settings.outageWeather.value === 'no-sun' ? { ...study, plan: sunless } : study;
  const year = studyYear(played, catalogue);
  const requiredH = settings.requiredRuntimeH.value;
  const followedMin = Math.ceil(Math.max(72, requiredH * 1.5)) * 60;
  return year && seasonOutlook(year, settings.designSeason.value, { everyH, requiredH, followedMin });
}
