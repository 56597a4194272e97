import type { WeatherYear } from '../../nature/index.js';
import { type Catalogue, type StackPart } from '../../equipment/index.js';
import { islandPlan, islandOf, type Plan, stackIn } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import type { YearSource } from './kept-year.js';
import { minutesOfDay } from './minutes.js';
import { outageYear, type OutageYear } from './outage-plan.js';
import { outageWeather } from './outage-weather.js';

/** Outages are followed for a week. */
export const horizonMin = 7 * minutesOfDay;

/** What is played: a job, one of its islands, and the units behind it. */
export interface OutageStudy {
  readonly plan: Plan;
  /** The island; the first where there is no such one. */
  readonly islandId: string;
  readonly parts: readonly StackPart[];
  /** The year of weather read from a file; null = a synthetic one. */
  readonly weather: WeatherYear | null;
}

/**
 * Prepares a year of outages.
 *
 * @param seed chooses the synthetic weather and the moments of switching
 * @param kept of the same seed: what is known already
 * @returns null where nothing is backed up, or the units do not go together
 */
export function studyYear(
  { plan: whole, islandId, parts, weather }: OutageStudy,
  catalogue: Catalogue,
  seed = whole.outage.seed,
  kept?: YearSource,
): OutageYear | null {
  const island = islandOf(whole, islandId);
  if (!island) return null;
  const stack = stackIn(whole, island.id, parts, catalogue);
  if (!stack.ok) return null;
  const own = islandPlan(whole, island);
  const plan: Plan = { ...own, outage: { ...own.outage, seed } };
  const met = kept ? kept.weather(plan, weather) : outageWeather(plan, weather, seed);
  return outageYear(demandContextOf(plan), stack.stack, met, kept);
}
