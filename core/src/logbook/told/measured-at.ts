import { measuredStack } from '../../commissioning/details.js';
import { stateOfHealth } from '../../electric/index.js';
import type { MeasuredStack } from '../../equipment/index.js';
import type { BatteryEvidence } from '../ageing/battery-evidence.js';
import type { ToldBattery } from './told-battery.js';

/** What an outage measured of the battery counts for itself where it is known so well: one deviation, share. */
const ownError = 0.05;

/**
 * What a battery was measured to be, at an age: by an outage of its own where that is sharp, else by the sharpest one, its capacity moved
 * along the forecast.
 *
 * @param years its age
 * @param at the moment it is asked for, ISO
 * @param ownRecordingId of the outage it is asked for; null = for none
 * @returns null where nothing was measured
 */
export function measuredAt(
  { designed, evidence, forecast, sheetFadePerYear }: ToldBattery,
  years: number,
  at: string,
  ownRecordingId: string | null = null,
): MeasuredStack | null {
  const errorOf = ({ point }: BatteryEvidence): number => point.errorWh / point.usableWh;
  const own = evidence.find(({ point }) => point.id === ownRecordingId);
  const isSharp = own !== undefined && errorOf(own) <= ownError;
  const best = isSharp ? own : evidence.toSorted((a, b) => errorOf(a) - errorOf(b))[0];
  if (!best) return null;
  const shareAt = (age: number): number => forecast.asNew - forecast.fadePerYear * age;
  const moved = isSharp ? 1 : shareAt(years) / shareAt(best.point.years);
  const { measured } = best;
  return measuredStack(
    { ...measured, usableWh: { ...measured.usableWh, value: measured.usableWh.value * moved } },
    // A design makes it older by its data sheet: what is measured stands over that.
    { ...designed, usableWh: designed.usableWh * stateOfHealth(sheetFadePerYear, years) },
    best.point.id,
    at,
  );
}
