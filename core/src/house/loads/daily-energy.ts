import { dayPartFacts } from './day-parts.js';
import { dayParts, type Load } from './load.schema.js';
import type { Season } from '../../nature/index.js';
import { onShare } from './on-share.js';

/** Energy a load takes on a day of the season, Wh: quantity × running power × hours of use × duty cycle. */
export function dailyEnergyWh(
  load: Pick<Load, 'use' | 'dutyCycle' | 'quantity' | 'runningPowerW'>,
  season: Season,
): number {
  const runH = dayParts.reduce(
    (sum, part) => sum + onShare(load, season, part) * dayPartFacts[part].hours.length,
    0,
  );
  return load.quantity * load.runningPowerW * runH;
}
