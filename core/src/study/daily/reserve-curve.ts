import type { Plan } from '../../design/index.js';
import type { Season } from '../../nature/index.js';
import type { OutageYear } from '../outage/outage-plan.js';
import { seasonOutlook } from '../outage/season-outlook.js';
import { everyHours } from '../outage/season-windows.js';
import { dailyBattery } from './daily-battery.js';
import type { DailyHouse } from './daily-house.js';
import { dailyRulesOf, dailyYear } from './daily-year.js';
import { turned } from './year-clock.js';

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

/** An island between grid and outage. */
export interface ReserveQuestion {
  /** The whole plan, and its house through a year with the grid, in hours. */
  readonly plan: Plan;
  readonly house: DailyHouse;
  readonly islandId: string;
  /** The same year as its outages meet it. */
  readonly year: OutageYear;
}

/** The battery of an island through a year with the grid, a share of it held back: its charge by hour of standard time, and what it gives, Wh. */
export function dailyCharge(
  { plan, house, islandId, year }: ReserveQuestion,
  heldBack: number,
): { readonly chargeWh: Float64Array; readonly givenWh: number } {
  const meter =
    house.meters.find(({ meter: { islands } }) => islands.some(({ id }) => id === islandId)) ??
    house.meters[0]!;
  const battery = dailyBattery(year.stack, year.context.settings, heldBack);
  const behind = { battery, solarDcW: year.stack.solarDcW, hasArray: () => true };
  const { played } = dailyYear(meter, house, behind, dailyRulesOf(plan));
  return { chargeWh: turned(played.chargeWh, -house.clock.shift), givenWh: played.givenWh };
}

/** One point of the curve of held-back charge: daily use of a year against outages that begin in a season. */
export function reservePoint(
  question: ReserveQuestion,
  heldBack: number,
  season: Season,
  requiredH: number,
): ReservePoint {
  const { year } = question;
  const { chargeWh, givenWh } = dailyCharge(question, heldBack);
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
