import { everyHours } from './season-windows.js';
import type { Season } from '../../nature/index.js';
import { dailyUse } from './daily-charge.js';
import type { OutageYear } from './outage-plan.js';
import { seasonOutlook } from './season-outlook.js';

/** What a held-back charge costs day by day, and what it buys. */
export interface ReservePoint {
  readonly heldBack: number;
  /** What the battery gives the house on the mean day of a year with the grid, Wh. */
  readonly dailyWh: number;
  /** Hours that 19 of 20 outages of the season reach, from the charge there is at that hour. */
  readonly nineteenOfTwentyH: number;
  readonly medianH: number;
  readonly requiredShare: number;
}

export const reserveShares: readonly number[] = [0, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1];

/** One point of the curve of held-back charge: daily use of a year against outages that begin in a season. */
export function reservePoint(
  year: OutageYear,
  heldBack: number,
  season: Season,
  requiredH: number,
): ReservePoint {
  const { chargeWh, givenWh } = dailyUse(year, heldBack);
  const least = 0.02 * year.hardware.usableWh;
  const outlook = seasonOutlook(year, season, {
    startsOf: everyHours(3),
    requiredH,
    chargeWh: (hour) => Math.max(least, chargeWh[hour]!),
  });
  return {
    heldBack,
    dailyWh: givenWh / 365,
    nineteenOfTwentyH: outlook.nineteenOfTwentyH,
    medianH: outlook.medianH,
    requiredShare: outlook.requiredShare,
  };
}
