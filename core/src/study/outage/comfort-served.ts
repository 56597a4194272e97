import type { Catalogue } from '../../equipment/index.js';
import { settingsOf } from '../../design/index.js';
import type { KeptYear } from './kept-year.js';
import { eachSpan } from './each-span.js';
import { minutesOfDay } from './minutes.js';
import { type OutageStudy, studyYear } from './outage-study.js';
import { playOutage } from './play-outage.js';
import { hoursOfSeason } from './year-map.js';

/** Outages of the season that are looked at, evenly spread. */
const sampled = 12;

/**
 * Share of the energy that loads of the tiers "should" and "may" would take in the required hours, of the whole house and a household living as
 * usual, which a design serves; over outages spread evenly through the design season of one year.
 *
 * @returns null where nothing is backed up, or the house has no such loads
 */
export function comfortServed(study: OutageStudy, catalogue: Catalogue, kept: KeptYear): number | null {
  const year = studyYear(study, catalogue, kept.seed, kept);
  if (year === null) return null;
  const { designSeason, requiredRuntimeH } = settingsOf(study.plan);
  const minutes = Math.round(requiredRuntimeH.value * 60);
  const hours = hoursOfSeason(designSeason.value, year.weather.latitudeDeg);
  const comfort = study.plan.loads.filter(
    ({ tier, surplusOnly }) => (tier === 'should' || tier === 'may') && !surplusOnly,
  );
  let [wantedWh, servedWh] = [0, 0];
  for (let n = 0; n < sampled; n += 1) {
    // Spread over the days, and over the hours of the day.
    const day = Math.floor(((n + 0.5) / sampled) * (hours.length / 24));
    const from = hours[day * 24]! * 60 + ((n * 7) % 24) * 60;
    for (const load of comfort)
      eachSpan(kept.cyclesOf(load, 1), from % (365 * minutesOfDay), minutes, (begins, ends) => {
        wantedWh += (load.quantity * load.runningPowerW * (ends - begins)) / 60;
      });
    for (const { tier, servedWh: served } of playOutage(year, from, minutes).tiers)
      if (tier === 'should' || tier === 'may') servedWh += served;
  }
  return wantedWh > 0 ? Math.min(1, servedWh / wantedWh) : null;
}
