import type { MeasuredStack } from '../../equipment/index.js';
import type { DesignedBattery, MeasuredBattery } from './measured-battery.js';

/**
 * What a staged outage measured, as a design takes it in: over what was predicted for the stack as new.
 *
 * @param recordingId of its recording
 * @param at moment of now, ISO
 */
export const measuredStack = (
  { usableWh, standbyW, dischargeTimes, chargeTimes }: MeasuredBattery,
  designed: DesignedBattery,
  recordingId: string,
  at: string,
): MeasuredStack => ({
  recordingId,
  at,
  usableTimes: usableWh.value / designed.usableWh,
  standbyW: standbyW && Math.max(0, standbyW.value),
  dischargeTimes,
  chargeTimes,
});
