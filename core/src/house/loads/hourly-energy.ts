import { dayPartFacts } from './day-parts.js';
import { dayParts, type Load } from './load.schema.js';
import type { Season } from '../../nature/index.js';
import { onShare } from './on-share.js';

/**
 * Energy a load takes in each clock hour of a day of the season.
 *
 * Hours of use are spread evenly over their part of the day.
 *
 * @returns 24 values in Wh, starting at midnight
 */
export function hourlyEnergyWh(
  load: Pick<Load, 'use' | 'dutyCycle' | 'quantity' | 'runningPowerW'>,
  season: Season,
): Float64Array {
  const energyWh = new Float64Array(24);
  const powerW = load.quantity * load.runningPowerW;
  for (const part of dayParts) {
    const hourWh = powerW * onShare(load, season, part);
    for (const hour of dayPartFacts[part].hours) energyWh[hour] = hourWh;
  }
  return energyWh;
}
