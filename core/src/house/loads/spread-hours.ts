import { dayPartFacts } from './day-parts.js';
import { hoursPerDayH } from './hours-per-day.js';
import { dayParts, type HoursOfUse } from './load.schema.js';

/**
 * Changes the hours of use of a day to a new total and keeps the pattern over the day.
 *
 * Every part is scaled alike; what a full part cannot hold goes to the others in proportion to the room they have left.
 * A pattern of zeros spreads evenly.
 *
 * @param use present pattern
 * @param totalH wanted total, 0 to 24 h
 */
export function spreadHours(use: HoursOfUse, totalH: number): HoursOfUse {
  const wantedH = Math.min(24, Math.max(0, totalH));
  const presentH = hoursPerDayH(use);
  const result = { nightH: 0, morningH: 0, dayH: 0, eveningH: 0 };
  for (const part of dayParts) {
    const { field, hours } = dayPartFacts[part];
    const shareH = presentH > 0 ? (use[field] / presentH) * wantedH : (hours.length / 24) * wantedH;
    result[field] = Math.min(hours.length, shareH);
  }
  const missingH = wantedH - hoursPerDayH(result);
  const roomH = 24 - hoursPerDayH(result);
  if (missingH > 1e-9 && roomH > 0) {
    for (const part of dayParts) {
      const { field, hours } = dayPartFacts[part];
      result[field] += ((hours.length - result[field]) / roomH) * missingH;
    }
  }
  return result;
}
