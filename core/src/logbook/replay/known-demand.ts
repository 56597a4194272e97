import type { KnownOutage } from '../outages/known-outage.js';

/** Mean of some minutes of a series; 0 where there are none. */
function meanOf(series: ArrayLike<number>, minutes: number): number {
  let sum = 0;
  const count = Math.min(minutes, series.length);
  for (let minute = 0; minute < count; minute += 1) sum += series[minute]!;
  return count === 0 ? 0 : sum / count;
}

/** Of what an outage asked of the battery, that which is known, by stage of shedding; null = nothing is. */
export interface KnownDemand {
  readonly demandW: readonly Float64Array[];
  /** Over the minutes of which it is known, W: as it was, and as it was reckoned. */
  readonly meanW: number;
  readonly reckonedW: number;
}

/**
 * What the house took in an outage, as far as it is known: recorded minute by minute, else reckoned and brought to the mean that was
 * said. What is not known goes on as reckoned, in proportion to what is.
 *
 * @param reckonedW by stage of shedding, minute by minute, as warm as it was
 * @param livedW the same with the household as it lived; null = nobody knows
 */
export function knownDemand(
  { outage, course, litMin }: KnownOutage,
  reckonedW: readonly Float64Array[],
  livedW: readonly Float64Array[] | null,
): KnownDemand | null {
  const [first] = reckonedW;
  if (course && course.loadW.some((watts) => !Number.isNaN(watts))) {
    let known = 0;
    let reckoned = 0;
    let count = 0;
    for (let minute = 0; minute < litMin; minute += 1) {
      const watts = course.loadW[minute]!;
      if (Number.isNaN(watts)) continue;
      known += watts;
      reckoned += first![minute]!;
      count += 1;
    }
    if (count === 0) return null;
    const times = reckoned > 0 ? known / reckoned : 1;
    return {
      demandW: reckonedW.map((stage) =>
        stage.map((watts, minute) => {
          const seen = minute < litMin ? course.loadW[minute]! : NaN;
          return Number.isNaN(seen) ? watts * times : seen;
        }),
      ),
      meanW: known / count,
      reckonedW: reckoned / count,
    };
  }
  if (outage.meanW !== null) {
    const meanW = meanOf(first!, litMin);
    const times = meanW > 0 ? outage.meanW / meanW : 1;
    return {
      demandW: reckonedW.map((stage) => stage.map((watts) => watts * times)),
      meanW: outage.meanW,
      reckonedW: meanW,
    };
  }
  return (
    livedW && {
      demandW: livedW,
      meanW: meanOf(livedW[0]!, litMin),
      reckonedW: meanOf(first!, litMin),
    }
  );
}
