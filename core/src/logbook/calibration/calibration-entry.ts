import type { Plan } from '../../design/index.js';
import type { Calibration } from '../../house/index.js';
import { takeCalibration } from './take-calibration.js';

const rounded = (times: number): number => Number(times.toFixed(3));

/** The factors of loads, with what they rest on, and who takes them when. */
export interface CalibrationOf extends Pick<
  Calibration,
  'id' | 'on' | 'by' | 'ordinaryTimes' | 'weatherTimes'
> {
  /** "5 outages of this house" */
  readonly restsOn: string;
}

/** The plan with calibrated loads, and with that written into its logbook. */
export function withCalibration<P extends Pick<Plan, 'loads' | 'logbook'>>(
  plan: P,
  { restsOn, ...of }: CalibrationOf,
): P {
  const ordinaryTimes = rounded(of.ordinaryTimes);
  const weatherTimes = rounded(of.weatherTimes);
  const says = `Loads times ${ordinaryTimes}, heating and cooling times ${weatherTimes}, by ${restsOn}.`;
  const { calibrations } = plan.logbook;
  return {
    ...takeCalibration(plan, ordinaryTimes, weatherTimes),
    logbook: {
      ...plan.logbook,
      calibrations: [...calibrations.slice(-59), { ...of, ordinaryTimes, weatherTimes, says }],
    },
  };
}
