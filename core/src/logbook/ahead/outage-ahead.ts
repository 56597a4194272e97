import { aged } from '../../design/index.js';
import type { Catalogue } from '../../equipment/index.js';
import { type Cause, seedsOf } from '../../study/index.js';
import {
  type OutageRun,
  type OutageStudy,
  outageWeather,
  playOutage,
  studyYear,
  yearOfWindow,
} from '../../study/details.js';
import { inServiceSince, yearsBetween } from '../ageing/age-at.js';
import { minuteOfYear } from '../replay/minute-of-year.js';
import type { OutageAsked } from './houses-question.schema.js';
import { weatherAhead } from './weather-ahead.js';

/** After an outage the grid is watched no longer than this, min. */
const mostReturnMin = 24 * 60;

/** No design is reckoned with older batteries, years. */
const oldestYears = 25;

/** How an outage would go, over the years of weather and switching that a house is reckoned with. */
export interface OutageAhead {
  readonly years: number;
  /** Of them, those in which the house stays lit to the end. */
  readonly held: number;
  /** Hours it stays lit, at most those asked for. */
  readonly meanH: number;
  readonly leastH: number;
  /** Why it goes dark first where it does; the most usual one. */
  readonly cause: Cause;
  readonly lowestCharge: number;
  readonly startCharge: number;
  readonly usableWh: number;
  /** Wanted by the house, given by the sun, Wh a day. */
  readonly wantedWhPerDay: number;
  readonly sunWhPerDay: number;
}

/**
 * Plays an outage that has not happened, with the model every stage plays outages with: the house as it is designed and as old as it is then, under
 * the weather that is said.
 *
 * @returns null where nothing is backed up, or the units do not go together
 */
export function outageAhead(
  { plan, islandId, parts, weather }: OutageStudy,
  { from, hours, startCharge, days }: OutageAsked,
  catalogue: Catalogue,
): OutageAhead | null {
  const since = inServiceSince(plan);
  const years = since === null ? 0 : Math.min(oldestYears, yearsBetween(since, from));
  const then = aged(plan, years);
  const minutes = Math.round(hours * 60);
  const runs: OutageRun[] = [];
  let [usableWh, startWh] = [0, 0];
  for (const seed of seedsOf(then)) {
    const usual = outageWeather(then, weather, seed);
    const fromMinute = minuteOfYear(from, usual.zoneH);
    const met = weatherAhead(usual, fromMinute, days);
    const known = yearOfWindow(met, seed, fromMinute, minutes + mostReturnMin);
    const year = studyYear({ plan: then, islandId, parts, weather: met }, catalogue, seed, known);
    if (!year) return null;
    ({ usableWh } = year.hardware);
    startWh = startCharge === null ? year.hardware.startWh : startCharge * usableWh;
    runs.push(playOutage(year, fromMinute, minutes, startWh));
  }
  const lit = runs.map(({ survivedMin }) => Math.min(minutes, survivedMin) / 60);
  const dark = runs.filter(({ survivedMin }) => survivedMin < minutes);
  const perDay = 1440 / minutes / runs.length;
  const sum = (of: (run: OutageRun) => number): number => runs.reduce((all, run) => all + of(run), 0);
  return {
    years: runs.length,
    held: runs.length - dark.length,
    meanH: lit.reduce((all, hour) => all + hour, 0) / lit.length,
    leastH: Math.min(...lit),
    cause: mostUsual(dark.map(({ cause }) => cause)),
    lowestCharge: Math.min(...runs.map(({ lowestCharge }) => lowestCharge)),
    startCharge: startWh / usableWh,
    usableWh,
    wantedWhPerDay:
      perDay * sum(({ tiers }) => tiers.reduce((all, one) => all + one.servedWh + one.unservedWh, 0)),
    sunWhPerDay: perDay * sum(({ sunWh }) => sunWh),
  };
}

/** The one that comes most often, of equals the first; "none" of none. */
function mostUsual(causes: readonly Cause[]): Cause {
  const counts = new Map<Cause, number>();
  for (const cause of causes) counts.set(cause, (counts.get(cause) ?? 0) + 1);
  return [...counts].toSorted(([, a], [, b]) => b - a)[0]?.[0] ?? 'none';
}
