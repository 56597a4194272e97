import { acOfDcW, dcOfAcW } from '../../electric/index.js';
import { hoursOfYear, type Season, seasonOfDay, seasons } from '../../nature/index.js';
import { sumHourlyEnergyWh } from '../../house/index.js';
import type { OutageYear } from './outage-plan.js';

/** A year with the grid there, hour by hour. */
export interface DailyUse {
  /** Charge at the beginning of each hour of the year, Wh. */
  readonly chargeWh: Float64Array;
  /** AC energy the battery gives the house in a year, Wh. */
  readonly givenWh: number;
}

/**
 * How the battery is used day by day while the grid is there, down to a share that is held back. Surplus sun fills it, and the
 * house is fed from it while the sun does not suffice; where the goal is to dodge peak prices, it gives between 16 and 22 and
 * is filled from the grid between midnight and 6. Goes through the year twice, so that the beginning does not matter.
 *
 * @param heldBack share of the usable energy that is not touched
 */
export function dailyUse(year: OutageYear, heldBack: number): DailyUse {
  const { hardware, context, sun, weather } = year;
  const { goals } = context.plan.brief;
  const houseWh = Object.fromEntries(
    seasons.map((season) => [season, sumHourlyEnergyWh(context.plan.loads, season)]),
  ) as Record<Season, Float64Array>;
  const sunWh = new Float64Array(hoursOfYear);
  for (let minute = 0; minute < sun.acW.length; minute += 1) {
    sunWh[Math.floor(minute / 60)]! += (sun.acW[minute]! + sun.dcW[minute]!) / 60;
  }
  const floorWh = heldBack * hardware.usableWh;
  const powerW = hardware.dischargePowerW * hardware.dischargeEfficiency;
  const chargeWh = new Float64Array(hoursOfYear);
  let nowWh = hardware.usableWh;
  let givenWh = 0;
  for (let step = 0; step < 2 * hoursOfYear; step += 1) {
    const hour = step % hoursOfYear;
    if (hour === 0) givenWh = 0;
    chargeWh[hour] = nowWh;
    const clock = hour % 24;
    const loadWh = houseWh[seasonOfDay(Math.floor(hour / 24), weather.latitudeDeg)][clock]!;
    const surplusWh = sunWh[hour]! - loadWh;
    if (surplusWh > 0) {
      const intoWh = Math.min(
        surplusWh * hardware.chargeEfficiency,
        hardware.chargePowerW,
        hardware.usableWh - nowWh,
      );
      nowWh += intoWh;
      continue;
    }
    const forPeak = goals.peakPrice !== 'none';
    if (forPeak && clock < 6) nowWh = Math.min(hardware.usableWh, nowWh + hardware.chargePowerW);
    const gives =
      (goals.ownSolar !== 'none' && context.plan.sources.arrays.length > 0 && !forPeak) ||
      (forPeak && clock >= 16 && clock < 22);
    if (!gives) continue;
    const wantedWh = Math.min(-surplusWh, powerW);
    // An hour: watts and watt-hours are the same number.
    const drawnWh = Math.min(
      dcOfAcW(wantedWh, hardware.lossPerW, hardware.lossPerW2),
      Math.max(0, nowWh - floorWh),
    );
    nowWh -= drawnWh;
    givenWh += acOfDcW(drawnWh, hardware.lossPerW, hardware.lossPerW2);
  }
  return { chargeWh, givenWh };
}
