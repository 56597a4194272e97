import type { Load } from '../../house/index.js';
import { eachSpan } from '../outage/each-span.js';
import type { LoadCycles } from '../outage/load-cycles.js';
import { type IntervalMin, intervalsOfYear } from './year-grid.js';

/**
 * What some loads take through a year with the grid there, Wh in each interval: each as its cycles say, the household living as usual.
 * Loads that take spare sun only are left out: nobody buys energy for them.
 */
export function loadYear(
  loads: readonly Load[],
  cyclesOf: (load: Load) => LoadCycles,
  intervalMin: IntervalMin,
): Float64Array {
  const count = intervalsOfYear(intervalMin);
  const energyWh = new Float64Array(count);
  for (const load of loads) {
    if (load.surplusOnly) continue;
    const wattHoursPerMin = (load.quantity * load.runningPowerW) / 60;
    eachSpan(cyclesOf(load), 0, count * intervalMin, (from, to) => {
      for (let i = Math.floor(from / intervalMin); i * intervalMin < to; i += 1) {
        const begins = Math.max(from, i * intervalMin);
        const ends = Math.min(to, (i + 1) * intervalMin);
        energyWh[i]! += wattHoursPerMin * (ends - begins);
      }
    });
  }
  return energyWh;
}
