import { dayPartFacts } from './day-parts.js';
import type { DayPart, Load } from './load.schema.js';
import type { Season } from '../../nature/index.js';

/**
 * Share of a part of the day in which a load runs: hours of use ÷ length of the part × duty cycle.
 *
 * @returns 0 to 1
 */
export function onShare(load: Pick<Load, 'use' | 'dutyCycle'>, season: Season, part: DayPart): number {
  const { hours, field } = dayPartFacts[part];
  return Math.min(1, (load.use[season][field] / hours.length) * load.dutyCycle);
}
