import { Matrix } from 'ml-matrix';
import { groupBy } from '../../base/index.js';
import type { OutageHardware } from '../../study/details.js';
import { chargeCrossings } from './charge-crossings.js';
import { leastSquares, type Reading } from './least-squares.js';
import type { OutageSample } from './outage-sample.js';
import { stretchesOf } from './stretches.js';

/** A value that was measured, and one deviation of it. */
export interface Measured {
  readonly value: number;
  readonly error: number;
}

/** What a staged outage tells of a battery and its inverter; null = it does not tell that. */
export interface MeasuredBattery {
  /** Between full and the reserve it is left with, at the cells, Wh. */
  readonly usableWh: Measured;
  /** What the system itself takes, W. */
  readonly standbyW: Measured | null;
  /** What comes back of what went in, at the mean power of the outage. */
  readonly roundTrip: Measured | null;
  /** What left the cells for each watt-hour given, and what they kept of each taken, over what data sheets say; 1 = it does not tell. */
  readonly dischargeTimes: number;
  readonly chargeTimes: number;
  /** Mean power while it only gave, W, for how long, h, and how much of its charge that took. */
  readonly meanW: number;
  readonly hours: number;
  readonly share: number;
}

/** What the design knows of it beforehand. */
export type DesignedBattery = Pick<
  OutageHardware,
  'usableWh' | 'standbyW' | 'lossPerW' | 'lossPerW2' | 'chargeEfficiency' | 'peukert'
>;

/** How far the efficiencies of a data sheet are off (common practice, no source): one deviation, of what is lost each way. */
const sheetError = 0.01;
/** What a power meter of class 1 is off all the time (IEC 62053-21 allows 1 %): one deviation. */
const meterError = 0.005;
/** What a power meter shows of nothing (common practice, no source): one deviation, W. */
const meterOffsetW = 2;
/** Less of its charge than this, and its energy is guessed rather than measured. */
const leastShare = 0.03;
/** An error of the stand-by above this says nothing of it, W. */
const mostStandbyErrorW = 60;
const rounds = 6;

/** What has passed until each crossing of a stretch. */
interface Passed {
  readonly stretch: number;
  readonly does: 'gives' | 'takes';
  readonly charge: number;
  readonly error: number;
  /** Energy of the AC side, Wh; its square over time, W²h; time, h. */
  readonly acWh: number;
  readonly squareW2h: number;
  readonly hours: number;
}

function passedOf(samples: readonly OutageSample[], standbyW: number): Passed[] {
  return stretchesOf(samples).flatMap(({ does, samples: own }, stretch): Passed[] => {
    const sums = { acWh: [0], squareW2h: [0], hours: [0], passed: [0] };
    for (let index = 1; index < own.length; index += 1) {
      const hours = (own[index]!.second - own[index - 1]!.second) / 3600;
      const powerW = (own[index]!.batteryW! + own[index - 1]!.batteryW!) / 2;
      sums.acWh.push(sums.acWh[index - 1]! + powerW * hours);
      sums.squareW2h.push(sums.squareW2h[index - 1]! + powerW * powerW * hours);
      sums.hours.push(sums.hours[index - 1]! + hours);
      const passedW = does === 'gives' ? Math.max(0, powerW) + standbyW : Math.max(0, -powerW);
      sums.passed.push(sums.passed[index - 1]! + passedW * hours);
    }
    const crossings = chargeCrossings(
      own.map(({ charge }) => charge!),
      sums.passed,
    );
    return crossings.map(({ index, charge, error }) => ({
      stretch,
      does,
      charge,
      error,
      acWh: sums.acWh[index]!,
      squareW2h: sums.squareW2h[index]!,
      hours: sums.hours[index]!,
    }));
  });
}

/** Places of what is looked for; the charge at the beginning of each stretch follows. */
const place = { perWh: 0, standbyW: 1, discharge: 2, charge: 3, stretches: 4 } as const;

/** What leaves the cells until a crossing, Wh (negative = enters them), and how that changes with stand-by and efficiencies. */
function drained(of: Passed, designed: DesignedBattery, theta: readonly number[]) {
  const { chargeEfficiency, lossPerW, lossPerW2 } = designed;
  const [, standbyW = 0, discharge = 1, charge = 1] = theta;
  if (of.does === 'takes') {
    const storedWh = chargeEfficiency * -of.acWh;
    return { wh: -storedWh * charge, byStandby: 0, byDischarge: 0, byCharge: -storedWh };
  }
  const linear = 1 + lossPerW;
  const outWh = of.acWh + standbyW * of.hours;
  const squareW2h = of.squareW2h + 2 * standbyW * of.acWh + standbyW * standbyW * of.hours;
  return {
    wh: linear * discharge * outWh + lossPerW2 * squareW2h,
    byStandby: linear * discharge * of.hours + 2 * lossPerW2 * (of.acWh + standbyW * of.hours),
    byDischarge: linear * outWh,
    byCharge: 0,
  };
}

/**
 * Measures a battery by a staged outage: capacity, stand-by and efficiencies are those with which the energy that passed explains best when
 * its charge passed from one shown percent to the next. Least squares over all crossings; what data sheets say of the efficiencies counts as
 * one more reading each, since an outage alone cannot tell a larger battery from a better inverter. Errors are those of the least squares,
 * no smaller than how far the crossings scatter, and of the meter.
 *
 * @returns null where too little was given from it without sun or generator, or its capacity hangs on its rate (lead-acid)
 */
export function measuredBattery(
  samples: readonly OutageSample[],
  designed: DesignedBattery,
): MeasuredBattery | null {
  if (designed.peukert !== null) return null;
  const all = passedOf(samples, designed.standbyW);
  const stretches = [...new Set(all.map(({ stretch }) => stretch))];
  const used = all.filter(({ stretch }) => all.filter((one) => one.stretch === stretch).length > 1);
  const given = used.filter(({ does }) => does === 'gives');
  const share = spanOf(given.map(({ charge }) => charge));
  if (share < leastShare) return null;

  const size = place.stretches + stretches.length;
  const theta = [1 / designed.usableWh, designed.standbyW, 1, 1, ...stretches.map(() => 0)];
  for (const [index, stretch] of stretches.entries())
    theta[place.stretches + index] = used.find((one) => one.stretch === stretch)?.charge ?? 0;
  // Of each unknown a unit of about its own size: what is inverted stays well-conditioned.
  const unit = [1 / designed.usableWh, 100, 1, 1, ...stretches.map(() => 1)];
  let covariance = Matrix.eye(size);
  let scatter = 1;
  for (let round = 0; round < rounds; round += 1) {
    const readings: Reading[] = [];
    let squares = 0;
    for (const one of used) {
      const row = Array.from({ length: size }, () => 0);
      const { wh, byStandby, byDischarge, byCharge } = drained(one, designed, theta);
      const perWh = theta[place.perWh]!;
      const begin = place.stretches + stretches.indexOf(one.stretch);
      row[place.perWh] = -wh * unit[place.perWh]!;
      row[place.standbyW] = -byStandby * perWh * unit[place.standbyW]!;
      row[place.discharge] = -byDischarge * perWh;
      row[place.charge] = -byCharge * perWh;
      row[begin] = 1;
      const off = one.charge - (theta[begin]! - wh * perWh);
      squares += (off / one.error) ** 2;
      readings.push({ row, value: off, error: one.error });
    }
    for (const known of [place.discharge, place.charge]) {
      const row = Array.from({ length: size }, (_, index) => (index === known ? 1 : 0));
      readings.push({ row, value: 1 - theta[known]!, error: sheetError });
    }
    // Nothing takes less than nothing, nor a house by itself: a wide guess keeps what no crossing tells apart.
    const standby = Array.from({ length: size }, (_, index) => (index === place.standbyW ? 1 : 0));
    readings.push({
      row: standby,
      value: (designed.standbyW - theta[place.standbyW]!) / unit[place.standbyW]!,
      error: Math.max(100, 2 * designed.standbyW) / unit[place.standbyW]!,
    });
    const step = leastSquares(readings);
    ({ covariance } = step);
    for (let i = 0; i < size; i += 1) theta[i] = theta[i]! + step.values[i]! * unit[i]!;
    scatter = Math.max(1, squares / Math.max(1, used.length - stretches.length - 2));
  }
  const deviation = (index: number): number =>
    Math.sqrt(scatter * covariance.get(index, index)) * unit[index]!;
  const usableWh = 1 / theta[place.perWh]!;
  const meanW = meanOf(given);
  const standbyError = Math.hypot(deviation(place.standbyW), meterOffsetW);
  return {
    usableWh: {
      value: usableWh,
      error: usableWh * Math.hypot(deviation(place.perWh) * usableWh, meterError),
    },
    standbyW:
      standbyError > mostStandbyErrorW ? null : { value: theta[place.standbyW]!, error: standbyError },
    roundTrip: used.length > given.length ? roundTripOf(meanW, designed, theta, covariance, scatter) : null,
    dischargeTimes: theta[place.discharge]!,
    chargeTimes: theta[place.charge]!,
    meanW,
    hours: hoursOf(given),
    share,
  };
}

const spanOf = (values: readonly number[]): number =>
  values.length === 0 ? 0 : Math.max(...values) - Math.min(...values);
/** Sum over the stretches of how much of something passed between their first crossing and their last. */
const sumOf = (given: readonly Passed[], amount: (one: Passed) => number): number =>
  [...groupBy(given, ({ stretch }) => stretch).values()].reduce(
    (sum, own) => sum + spanOf(own.map(amount)),
    0,
  );
const hoursOf = (given: readonly Passed[]): number => sumOf(given, ({ hours }) => hours);
const meanOf = (given: readonly Passed[]): number =>
  sumOf(given, ({ acWh }) => acWh) / Math.max(1e-9, hoursOf(given));

/** What comes back: both efficiencies, of which each is doubtful, their product less so. */
function roundTripOf(
  meanW: number,
  { chargeEfficiency, lossPerW, lossPerW2 }: DesignedBattery,
  theta: readonly number[],
  covariance: Matrix,
  scatter: number,
): Measured {
  const discharge = theta[place.discharge]!;
  const charge = theta[place.charge]!;
  const linear = (1 + lossPerW) * discharge;
  const loss = linear + lossPerW2 * meanW;
  const value = (chargeEfficiency * charge) / loss;
  // Shares by which it changes with each.
  const byCharge = 1 / charge;
  const byDischarge = -linear / discharge / loss;
  const variance =
    scatter *
    (byCharge ** 2 * covariance.get(place.charge, place.charge) +
      byDischarge ** 2 * covariance.get(place.discharge, place.discharge) +
      2 * byCharge * byDischarge * covariance.get(place.charge, place.discharge));
  return { value, error: value * Math.sqrt(Math.max(0, variance)) };
}
