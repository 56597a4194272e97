import { houseW, type OutageSample } from '../../commissioning/details.js';

/** What was recorded of an outage by minute since the grid went away; NaN = not known. */
export interface RecordedCourse {
  /** Of the house, without what the system itself takes, W. */
  readonly loadW: Float32Array;
  readonly sunW: Float32Array;
  /** At the end of the minute, share. */
  readonly charge: Float32Array;
}

/** What a recording shows by minute from a second on; a minute without a reading is not known. */
export function courseOfSamples(
  samples: readonly OutageSample[],
  awayS: number,
  minutes: number,
): RecordedCourse {
  const series = (): Float32Array => new Float32Array(minutes).fill(NaN);
  const [loadW, sunW, charge] = [series(), series(), series()];
  const sums = { load: new Float64Array(minutes), sun: new Float64Array(minutes) };
  const counts = { load: new Uint32Array(minutes), sun: new Uint32Array(minutes) };
  for (const sample of samples) {
    const minute = Math.floor((sample.second - awayS) / 60);
    if (minute < 0 || minute >= minutes) continue;
    const watts = houseW(sample);
    // Where more flows into the battery than the sun gives, something else feeds: what the house takes is not seen.
    if (watts !== null && watts >= 0) {
      sums.load[minute]! += watts;
      counts.load[minute]! += 1;
    }
    if (sample.solarW !== null) {
      sums.sun[minute]! += Math.max(0, sample.solarW);
      counts.sun[minute]! += 1;
    }
    if (sample.charge !== null) charge[minute] = sample.charge;
  }
  for (let minute = 0; minute < minutes; minute += 1) {
    if (counts.load[minute]! > 0) loadW[minute] = sums.load[minute]! / counts.load[minute]!;
    if (counts.sun[minute]! > 0) sunW[minute] = sums.sun[minute]! / counts.sun[minute]!;
  }
  return { loadW: bridged(loadW), sunW: bridged(sunW), charge: bridged(charge) };
}

/** Gaps up to so many minutes hold what was read last: readings may come every quarter of an hour. */
const bridgedMin = 30;

function bridged(series: Float32Array): Float32Array {
  let last = -Infinity;
  return series.map((value, minute) => {
    if (!Number.isNaN(value)) {
      last = minute;
      return value;
    }
    return minute - last <= bridgedMin ? series[last]! : NaN;
  });
}
