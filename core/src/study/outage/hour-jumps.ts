import { dcOfAcW } from '../../electric/index.js';
import { minutesOfYear, wrapMinute } from './minutes.js';
import { drainOf, type OutagePlan } from './outage-plan.js';

export const jumpMin = 60;
const slackW = 1e-6;

/**
 * Hours of a window that can be passed in one step, at one stage of shedding: while the house is lit, all solar is back (or none shines),
 * no generator runs, and no vehicle takes a surplus, what flows depends on the minute alone, as long as the charge is far enough
 * from empty, from every threshold, and in hours in which something is charged from full.
 *
 * The same arithmetic as a minute of `OutageStepper` in that case; a test holds outages played with and without it to each other.
 */
export class HourJumps {
  /** By hour: change of the charge, and the lowest and highest it comes to on the way, seen from where it began, Wh. */
  readonly sumWh: Float64Array;
  /** −Infinity where something trips; NaN until {@link work} has looked at the hour. */
  readonly leastWh: Float64Array;
  readonly mostWh: Float64Array;
  /** 1 where no minute charges. */
  readonly onlyFalls: Uint8Array;
  /** 1 where no AC-coupled sun shines. */
  readonly sunless: Uint8Array;
  /** Bounds, Wh: above the one and below the other nothing depends on the charge; the last for hours that only fall. */
  readonly aboveWh: number;
  readonly belowWh: number;
  readonly fallsBelowWh: number;

  constructor(
    private readonly plan: OutagePlan,
    private readonly stage: number,
  ) {
    const { hardware, trace, thresholdsWh } = plan;
    const { usableWh, generator, vehicle } = hardware;
    const hours = Math.floor(trace.minutes / jumpMin);
    this.sumWh = new Float64Array(hours);
    this.leastWh = new Float64Array(hours).fill(NaN);
    this.mostWh = new Float64Array(hours);
    this.onlyFalls = new Uint8Array(hours);
    this.sunless = new Uint8Array(hours);
    this.aboveWh = Math.max(
      hardware.keptWh,
      hardware.dischargeTaperBelowWh,
      thresholdsWh[stage] ?? 0,
      (generator?.startBelow ?? 0) * usableWh,
      (vehicle?.role === 'source' ? vehicle.feedsBelow : 0) * usableWh,
    );
    this.fallsBelowWh = stage > 0 ? thresholdsWh[stage - 1]! + hardware.restoreAboveWh : Infinity;
    this.belowWh =
      vehicle?.role === 'sink'
        ? -Infinity
        : Math.min(
            hardware.chargeTaperFromWh,
            // Above it, what the battery takes in a minute is bounded by its room.
            usableWh - hardware.chargePowerW / 60,
            this.fallsBelowWh,
          );
  }

  /** Works out an hour of the window. */
  work(hour: number): void {
    const { hardware, sun, trace, chargeShare, dischargeShare, heaterW, overloads } = this.plan;
    const { chargePowerW, chargeEfficiency, dcChargeEfficiency, dischargePowerW } = hardware;
    const { lossPerW, lossPerW2, peukert } = hardware;
    const demandW = trace.demandW[this.stage]!;
    const marks = overloads[this.stage]!;
    const first = hour * jumpMin;
    let ofYear = wrapMinute(trace.fromMinute + first);
    let sum = 0;
    let least = 0;
    let most = 0;
    let onlyFalls = 1;
    let sunless = 1;
    for (let minute = first; minute < first + jumpMin; minute += 1) {
      if (marks[minute] !== 0) least = -Infinity;
      const ofYearHour = (ofYear / 60) | 0;
      const acW = sun.acW[ofYear]!;
      const dcW = sun.dcW[ofYear]!;
      if (acW > 0) sunless = 0;
      ofYear = ofYear === minutesOfYear - 1 ? 0 : ofYear + 1;
      const loadW = demandW[minute]! + hardware.standbyW + (heaterW === null ? 0 : heaterW[ofYearHour]!);
      const acUsedW = acW < loadW ? acW : loadW;
      let restW = loadW - acUsedW;
      if (restW < slackW) restW = 0;
      const dcWantedW = dcOfAcW(restW, lossPerW, lossPerW2);
      const dcUsedW = dcW < dcWantedW ? dcW : dcWantedW;
      const batteryW = dcWantedW - dcUsedW;
      if (batteryW >= slackW) {
        const byCold = dischargeShare[ofYearHour]!;
        if (byCold < 1 && batteryW > dischargePowerW * byCold) least = -Infinity;
        sum -= (peukert === null ? batteryW : drainOf(hardware, batteryW)) / 60;
      } else {
        onlyFalls = 0;
        const limitW = chargePowerW * chargeShare[ofYearHour]!;
        const dcLeftW = (dcW - dcUsedW) * dcChargeEfficiency;
        const dcStoredW = dcLeftW < limitW ? dcLeftW : limitW;
        const acLeftW = (acW - acUsedW) * chargeEfficiency;
        sum += (dcStoredW + (acLeftW < limitW - dcStoredW ? acLeftW : limitW - dcStoredW)) / 60;
      }
      if (sum < least) least = sum;
      if (sum > most) most = sum;
    }
    this.sumWh[hour] = sum;
    this.leastWh[hour] = least;
    this.mostWh[hour] = most;
    this.onlyFalls[hour] = onlyFalls;
    this.sunless[hour] = sunless;
  }
}
