import { leastSquares } from '../../commissioning/details.js';
import type { LoadEvidence } from './load-evidence.js';

/** A factor, and one deviation of it. */
export interface Factor {
  readonly times: number;
  readonly error: number;
}

/** What loads take over what was entered. */
export interface CalibratedLoads {
  /** Those that run in any weather. */
  readonly ordinary: Factor;
  /** Those that heat and cool. */
  readonly weather: Factor;
  /** What was entered is further off than the evidence can be: it is worth taking. */
  readonly isWorthIt: boolean;
  readonly evidence: readonly LoadEvidence[];
}

/** How well loads are known beforehand (common practice, no source): one deviation. */
const beforehand = { ordinary: 0.2, weather: 0.3 };
/** Nineteen times out of twenty. */
const sure = 1.96;
/** What is less is not worth a change. */
const leastChange = 0.03;

/**
 * Brings two groups of loads in line with what outages showed: the factors with which what was reckoned explains best what was taken.
 * Least squares, each outage with its error; what was entered counts as one more reading each (a Gaussian prior of mean 1), since a few
 * outages cannot always tell the two apart.
 */
export function calibrateLoads(evidence: readonly LoadEvidence[]): CalibratedLoads {
  const { values, covariance } = leastSquares([
    { row: [1, 0], value: 1, error: beforehand.ordinary },
    { row: [0, 1], value: 1, error: beforehand.weather },
    ...evidence.map(({ ordinaryWh, weatherWh, tookWh, errorWh }) => ({
      row: [ordinaryWh, weatherWh],
      value: tookWh,
      error: errorWh,
    })),
  ]);
  const factor = (place: number): Factor => ({
    times: Math.max(0.1, values[place]!),
    error: Math.sqrt(covariance.get(place, place)),
  });
  const [ordinary, weather] = [factor(0), factor(1)];
  const isOff = ({ times, error }: Factor): boolean =>
    Math.abs(times - 1) > Math.max(leastChange, sure * error);
  return { ordinary, weather, isWorthIt: isOff(ordinary) || isOff(weather), evidence };
}
