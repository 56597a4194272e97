import type { HoursOfUse } from './load.schema.js';

/** Hours of use a day, h, summed over the parts of the day. */
export function hoursPerDayH(use: HoursOfUse): number {
  return use.nightH + use.morningH + use.dayH + use.eveningH;
}
