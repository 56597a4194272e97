import { dcOfAcW } from '../../electric/index.js';
import type { DesignedBattery, MeasuredBattery } from './measured-battery.js';

/** What sets the hours of a battery at a power that stays the same. */
interface HoursBy {
  readonly usableWh: number;
  readonly standbyW: number;
}

/**
 * Hours a battery lasts at a power that stays the same, from full down to what is kept.
 *
 * @param powerW at the AC side
 */
function hoursAt(powerW: number, by: HoursBy, { lossPerW, lossPerW2 }: DesignedBattery): number {
  return by.usableWh / dcOfAcW(powerW + by.standbyW, lossPerW, lossPerW2);
}

/** One reason why a battery lasts longer or shorter than predicted, h. */
export interface Difference {
  readonly what: 'capacity' | 'stand-by';
  readonly hours: number;
}

export interface HoursCompared {
  readonly powerW: number;
  readonly predictedH: number;
  readonly measuredH: number;
  /** One deviation of what was measured, h. */
  readonly errorH: number;
  /** The largest first. */
  readonly differences: readonly Difference[];
}

/** How long the battery lasts at the mean power of the outage: as predicted, as measured, and what makes the difference. */
export function hoursCompared(measured: MeasuredBattery, designed: DesignedBattery): HoursCompared {
  const powerW = Math.max(0, measured.meanW);
  const asDesigned: HoursBy = { usableWh: designed.usableWh, standbyW: designed.standbyW };
  const found: HoursBy = {
    usableWh: measured.usableWh.value,
    standbyW: measured.standbyW?.value ?? designed.standbyW,
  };
  const at = (by: HoursBy): number => hoursAt(powerW, by, designed);
  const predictedH = at(asDesigned);
  const measuredH = at(found);
  const differences: Difference[] = [
    { what: 'capacity', hours: at({ ...asDesigned, usableWh: found.usableWh }) - predictedH },
    { what: 'stand-by', hours: at({ ...asDesigned, standbyW: found.standbyW }) - predictedH },
  ];
  return {
    powerW,
    predictedH,
    measuredH,
    errorH: Math.hypot(
      measuredH * (measured.usableWh.error / measured.usableWh.value),
      at({ ...found, standbyW: found.standbyW + (measured.standbyW?.error ?? 0) }) - measuredH,
    ),
    differences: differences.toSorted((a, b) => Math.abs(b.hours) - Math.abs(a.hours)),
  };
}
