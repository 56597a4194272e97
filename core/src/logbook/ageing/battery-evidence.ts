import {
  type DesignedBattery,
  measuredBattery,
  type MeasuredBattery,
  type OutageSample,
} from '../../commissioning/details.js';
import type { CapacityPoint } from './capacity-forecast.js';

/** What an outage tells of the battery. */
export interface BatteryEvidence {
  readonly measured: MeasuredBattery;
  readonly point: CapacityPoint;
}

/** A capacity that is less well known says nothing of its ageing: one deviation, share. */
const mostError = 0.08;

/**
 * What a recorded outage tells of the battery's capacity.
 *
 * @param recordingId of its recording
 * @param designed as data sheets say it is, new
 * @param years its age then
 * @returns null where too little was taken from it
 */
export function batteryEvidence(
  recordingId: string,
  samples: readonly OutageSample[],
  designed: DesignedBattery,
  years: number,
): BatteryEvidence | null {
  const measured = measuredBattery(samples, designed);
  if (!measured) return null;
  const { value, error } = measured.usableWh;
  if (error / value > mostError) return null;
  return { measured, point: { years, usableWh: value, errorWh: error, id: recordingId } };
}
