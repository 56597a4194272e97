import type { Tier } from '../../house/index.js';
import { settingsOf } from '../../design/index.js';
import { eachSpan } from './each-span.js';
import type { KeptYear } from './kept-year.js';
import { minutesOfYear } from './minutes.js';
import type { OutageYear } from './outage-plan.js';
import type { OutageStudy } from './outage-study.js';
import type { TracedLoad } from './traced-house.js';
import { hoursOfSeason } from './year-map.js';

/** Outages of the season that are looked at, evenly spread. */
const sampled = 12;

/** What a household can do without. */
export const comfortTiers: readonly Tier[] = ['should', 'may'];

export interface ComfortOutages {
  /** Minutes of the year at which the grid goes away, and how long it stays away. */
  readonly fromMinutes: readonly number[];
  readonly minutes: number;
  /** What loads of comfort would take in all of them, of the whole house and a household living as usual, Wh. */
  readonly wantedWh: number;
}

/** The outages in which comfort is looked at: as long as the brief requires, spread over the days of its season and the hours of the day. */
export function comfortOutages(
  { plan }: OutageStudy,
  { weather }: OutageYear,
  kept: KeptYear,
): ComfortOutages {
  const { designSeason, requiredRuntimeH } = settingsOf(plan);
  const minutes = Math.round(requiredRuntimeH.value * 60);
  const hours = hoursOfSeason(designSeason.value, weather.latitudeDeg);
  const fromMinutes = Array.from({ length: sampled }, (_, n) => {
    const day = Math.floor(((n + 0.5) / sampled) * (hours.length / 24));
    return (hours[day * 24]! * 60 + ((n * 7) % 24) * 60) % minutesOfYear;
  });
  const loads = plan.loads
    .filter(({ tier, surplusOnly }) => comfortTiers.includes(tier) && !surplusOnly)
    .map((load) => ({ cycles: kept.cyclesOf(load, 1), powerW: load.quantity * load.runningPowerW }));
  const wantedWh = fromMinutes.reduce((sum, from) => sum + takenWh(loads, from, minutes), 0);
  return { fromMinutes, minutes, wantedWh };
}

/** A share to the thousandth: what differs less is the same comfort. */
export const comfortShare = (servedWh: number, wantedWh: number): number =>
  Math.round(Math.min(1, servedWh / wantedWh) * 1000) / 1000;

/** What loads take in a window of the year that serves them whenever they are wanted, Wh. */
export function takenWh(
  loads: readonly Pick<TracedLoad, 'cycles' | 'powerW'>[],
  fromMinute: number,
  minutes: number,
): number {
  let sumWh = 0;
  for (const { cycles, powerW } of loads)
    eachSpan(cycles, fromMinute, minutes, (begins, ends) => {
      sumWh += (powerW * (ends - begins)) / 60;
    });
  return sumWh;
}
