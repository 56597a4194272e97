import { type Season, seasonOfDay, type WeatherYear } from '../../nature/index.js';
import { assembleStack, type Catalogue, type StackPart } from '../../equipment/index.js';
import { islandPlan, islandsOf, type Plan } from '../../design/index.js';
import { demandContextOf } from '../margins/demand-context-of.js';
import { minutesOfDay } from './minutes.js';
import { outageFates, windowFor } from './outage-fates.js';
import { causes, type Cause } from './outage-state.js';
import { outagePlan, outageYear, type OutageYear } from './outage-plan.js';
import { outageWeather } from './outage-weather.js';
import { reachedMin } from './year-map.js';

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
 * @returns null where nothing is backed up, or the units do not go together
 */
export function studyYear(
  { plan: whole, islandId, parts, weather }: OutageStudy,
  catalogue: Catalogue,
  seed = whole.outage.seed,
): OutageYear | null {
  const islands = islandsOf(whole);
  const island = islands.find(({ id }) => id === islandId) ?? islands[0];
  if (!island) return null;
  const stack = assembleStack(parts, catalogue, whole.supply.system);
  if (!stack.ok) return null;
  const own = islandPlan(whole, island);
  const plan: Plan = { ...own, outage: { ...own.outage, seed } };
  return outageYear(demandContextOf(plan), stack.stack, outageWeather(plan, weather, seed));
}

/** The days of a season as one stretch: first day (may lie at the end of the year) and how many. */
export function seasonStretch(
  season: Season,
  latitudeDeg: number,
): { readonly firstDay: number; readonly days: number }[] {
  const stretches: { firstDay: number; days: number }[] = [];
  const of = (day: number): boolean => seasonOfDay(day, latitudeDeg) === season;
  for (let day = 0; day < 365; day += 1) {
    if (!of(day)) continue;
    if (!of(day - 1)) {
      let days = 1;
      while (of(day + days)) days += 1;
      stretches.push({ firstDay: day, days });
    }
  }
  return stretches;
}

/** How outages that begin in a season end. */
export interface SeasonOutlook {
  /** Hours that 19 of 20 outages reach at least; a week where they reach that. */
  readonly nineteenOfTwentyH: number;
  readonly medianH: number;
  /** Mean, each counted for a week at most, h. */
  readonly meanH: number;
  readonly shortestH: number;
  /** Share of the outages that reach the required hours. */
  readonly requiredShare: number;
  readonly count: number;
  /** How long each was followed. */
  readonly followedH: number;
  /** What ends the outages near those that make each figure: near the hours of 19 of 20, and near the median. */
  readonly hardEnding: Ending;
  readonly usualEnding: Ending;
}

/** What ends most of some outages; "none" where most of them outlast what was followed. */
export interface Ending {
  readonly cause: Cause;
  /** Share of these outages that it ends. */
  readonly share: number;
}

/** Outages of this share of all on either side of a figure are near it. */
const nearShare = 0.05;

/** How a season is played. */
export interface SeasonWish {
  /** An outage from every so many hours. */
  readonly everyH: number;
  readonly requiredH: number;
  /** How long each is followed; a week where nothing is said. */
  readonly followedMin?: number;
  /** Charge at an hour of the year, Wh; that of the job where nothing is said. */
  readonly chargeWh?: (hourOfYear: number) => number;
}

/** Plays outages that begin in a season. */
export function seasonOutlook(year: OutageYear, season: Season, wish: SeasonWish): SeasonOutlook {
  const { everyH, requiredH, followedMin = horizonMin, chargeWh } = wish;
  const all: Played[] = [];
  for (const { firstDay, days } of seasonStretch(season, year.weather.latitudeDeg)) {
    const plan = outagePlan(year, firstDay * minutesOfDay, windowFor(days * 24, followedMin));
    const charge = chargeWh && ((hour: number): number => chargeWh((firstDay * 24 + hour) % 8760));
    const { survivedMin, cause } = outageFates(plan, {
      hours: days * 24,
      everyH,
      horizonMin: followedMin,
      ...(charge ? { chargeAt: charge } : {}),
    });
    survivedMin.forEach((value, hour) => {
      if (Number.isNaN(value)) return;
      all.push({ survivedMin: value, cause: causes[cause[hour]!]! });
    });
  }
  return outlookOf(all, requiredH, followedMin);
}

/** How one outage went. */
interface Played {
  readonly survivedMin: number;
  readonly cause: Cause;
}

/** The commonest ending among the outages near the one that a share of all reach. */
function endingNear(sorted: readonly Played[], share: number): Ending {
  const place = sorted.length * (1 - share);
  const near = sorted.slice(
    Math.max(0, Math.floor(place - nearShare * sorted.length)),
    Math.ceil(place + nearShare * sorted.length),
  );
  const counts = new Map<Cause, number>();
  for (const { cause } of near) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  const [most] = [...counts].toSorted((a, b) => b[1] - a[1]);
  return most ? { cause: most[0], share: most[1] / near.length } : { cause: 'none', share: 1 };
}

/** Sums up outages. */
function outlookOf(played: readonly Played[], requiredH: number, followedMin: number): SeasonOutlook {
  const sorted = played.toSorted((a, b) => a.survivedMin - b.survivedMin);
  const survivedMin = sorted.map((one) => one.survivedMin);
  const places = survivedMin.map((_, index) => index);
  const reached = (share: number): number => reachedMin(survivedMin, places, share) / 60;
  const required = Math.min(requiredH * 60, followedMin) - 1e-6;
  return {
    nineteenOfTwentyH: reached(0.95),
    medianH: reached(0.5),
    meanH: survivedMin.reduce((sum, value) => sum + value, 0) / survivedMin.length / 60,
    shortestH: reached(1),
    requiredShare: survivedMin.filter((value) => value >= required).length / survivedMin.length,
    count: survivedMin.length,
    followedH: followedMin / 60,
    hardEnding: endingNear(sorted, 0.95),
    usualEnding: endingNear(sorted, 0.5),
  };
}
