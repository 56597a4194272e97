import type { Catalogue } from '../../equipment/index.js';
import { outageSettingsOf } from '../../design/index.js';
import { comfortOutages, comfortShare, comfortTiers, takenWh } from './comfort-outages.js';
import type { KeptYear } from './kept-year.js';
import { type OutageStudy, studyYear } from './outage-study.js';

/**
 * A bound that {@link comfortServed} keeps to with whatever stack a design has: in no outage is more served than loads of comfort that are
 * backed up ask for, nor more than battery and sun hold; a generator or a vehicle may hold anything.
 *
 * @param study of any stack: only its battery is left open
 * @returns by nameplate energy, Wh; null where nothing is backed up, or the house has no such loads
 */
export function comfortAtMost(
  study: OutageStudy,
  catalogue: Catalogue,
  kept: KeptYear,
): ((batteryWh: number) => number) | null {
  const year = studyYear(study, catalogue, kept.seed, kept);
  if (year === null) return null;
  const { fromMinutes, minutes, wantedWh } = comfortOutages(study, year, kept);
  if (wantedWh <= 0) return null;
  const { plan } = year.context;
  const { arrays, generator, vehicle } = plan.sources;
  const sun = kept.sun(arrays, outageSettingsOf(plan).snow.value, {
    system: plan.supply.system,
    solarDcW: Infinity,
    solarAcW: Infinity,
    perLegVA: Infinity,
  });
  const sunWh = (from: number): number => {
    let sum = 0;
    for (let minute = from; minute < from + minutes; minute += 1) {
      const at = minute % sun.dcW.length;
      sum += (sun.dcW[at]! + sun.acW[at]!) / 60;
    }
    return sum;
  };
  const loads = year.house.loads.filter(({ tier }) => comfortTiers.includes(tier));
  const outages = fromMinutes.map((from) => ({
    askedWh: takenWh(loads, from, minutes),
    besideWh: generator || vehicle ? Infinity : sunWh(from),
  }));
  return (batteryWh) => {
    const servedWh = outages.reduce(
      (sum, { askedWh, besideWh }) => sum + Math.min(askedWh, batteryWh + besideWh),
      0,
    );
    return comfortShare(servedWh, wantedWh);
  };
}
