import { systemFacts } from '../../electric/index.js';
import { eachSpan } from './each-span.js';
import type { TracedHouse, TracedLoad } from './traced-house.js';

/** What may be drawn for as long as one likes, VA. */
export interface RunningLimit {
  readonly wholeVA: number;
  readonly legVA: number;
}

/** Demand minute by minute. */
export interface DemandTrace {
  /** First minute, counted from the beginning of the year; may lie in the year after. */
  readonly fromMinute: number;
  readonly minutes: number;
  /** By stage of shedding: mean of each minute, W. */
  readonly demandW: readonly Float64Array[];
  /** By stage: highest that may come together within a minute, starts included, VA; whole, then each leg. */
  readonly peakVA: readonly (readonly Float32Array[])[];
  /** What was left off for want of room, W. */
  readonly noRoomW: Float64Array;
  /** Minutes in which a load of the lane "where there is room" runs, for the fine look at a minute. */
  readonly managed: readonly { readonly load: TracedLoad; readonly on: Uint8Array }[];
}

/** Part of a start on a leg, VA. */
const surgeOnLeg = ({ surgeVA, powerVA, legVA }: TracedLoad, leg: number): number =>
  powerVA > 0 ? surgeVA * (legVA[leg]! / powerVA) : 0;

/** Adds a span to minute means and peaks. */
function addSpan(
  load: TracedLoad,
  from: number,
  to: number,
  starts: boolean,
  demandW: Float64Array,
  peakVA: readonly Float32Array[],
): void {
  const first = Math.floor(from);
  const last = Math.min(demandW.length - 1, Math.ceil(to) - 1);
  for (let m = first; m <= last; m += 1) {
    demandW[m]! += load.powerW * (Math.min(to, m + 1) - Math.max(from, m));
    peakVA[0]![m]! += load.powerVA;
    for (let leg = 0; leg < load.legVA.length; leg += 1) peakVA[leg + 1]![m]! += load.legVA[leg]!;
  }
  if (!starts || load.surgeVA === 0) return;
  // A start late in a minute goes on in the next one.
  const surgeEnds = Math.min(demandW.length - 1, Math.floor(from + load.surgeS / 60));
  for (let m = first; m <= surgeEnds; m += 1) {
    peakVA[0]![m]! += load.surgeVA;
    for (let leg = 0; leg < load.legVA.length; leg += 1) {
      peakVA[leg + 1]![m]! += surgeOnLeg(load, leg);
    }
  }
}

/** Works out the demand of a house for a window of minutes. */
export function demandTrace(
  house: TracedHouse,
  fromMinute: number,
  minutes: number,
  limit: RunningLimit,
): DemandTrace {
  const stageCount = house.thresholds.length + 1;
  const axes = systemFacts[house.system].legs.length + 1;
  const demandW = Array.from({ length: stageCount }, () => new Float64Array(minutes));
  const peakVA = Array.from({ length: stageCount }, () =>
    Array.from({ length: axes }, () => new Float32Array(minutes)),
  );
  // Each load goes into the last stage in which it is on; adding up from the last stage to the first completes the others.
  for (const load of house.loads) {
    if (load.kept === 'where-room') continue;
    const stage = Math.min(load.offFromStage, stageCount) - 1;
    eachSpan(load.cycles, fromMinute, minutes, (from, to, starts) =>
      addSpan(load, from, to, starts, demandW[stage]!, peakVA[stage]!),
    );
  }
  for (let stage = stageCount - 2; stage >= 0; stage -= 1) {
    const own = demandW[stage]!;
    const later = demandW[stage + 1]!;
    for (let m = 0; m < minutes; m += 1) own[m]! += later[m]!;
    peakVA[stage]!.forEach((peaks, axis) => {
      const laterPeaks = peakVA[stage + 1]![axis]!;
      for (let m = 0; m < minutes; m += 1) peaks[m]! += laterPeaks[m]!;
    });
  }
  const noRoomW = new Float64Array(minutes);
  const managed = house.loads
    .filter(({ kept }) => kept === 'where-room')
    .toSorted((a, b) => b.order - a.order)
    .map((load) => {
      const on = new Uint8Array(minutes);
      const wantsW = new Float64Array(minutes);
      const begins = new Uint8Array(minutes);
      eachSpan(load.cycles, fromMinute, minutes, (from, to, starts) => {
        if (starts) begins[Math.floor(from)] = 1;
        for (let m = Math.floor(from); m < Math.min(minutes, Math.ceil(to)); m += 1) {
          wantsW[m]! += load.powerW * (Math.min(to, m + 1) - Math.max(from, m));
        }
      });
      for (let m = 0; m < minutes; m += 1) {
        if (wantsW[m] === 0) continue;
        const fits =
          peakVA[0]![0]![m]! + load.powerVA + load.surgeVA <= limit.wholeVA &&
          load.legVA.every(
            (va, leg) => va === 0 || peakVA[0]![leg + 1]![m]! + va + surgeOnLeg(load, leg) <= limit.legVA,
          );
        if (!fits) {
          noRoomW[m]! += wantsW[m]!;
          continue;
        }
        on[m] = 1;
        // It starts as its thermostat calls, and as it is let on again.
        const starts = load.surgeVA > 0 && (begins[m] === 1 || (m > 0 && on[m - 1] === 0));
        for (let stage = 0; stage < stageCount; stage += 1) {
          demandW[stage]![m]! += wantsW[m]!;
          peakVA[stage]![0]![m]! += load.powerVA + (starts ? load.surgeVA : 0);
          load.legVA.forEach((va, leg) => {
            peakVA[stage]![leg + 1]![m]! += va + (starts ? surgeOnLeg(load, leg) : 0);
          });
        }
      }
      return { load, on };
    });
  return { fromMinute, minutes, demandW, peakVA, noRoomW, managed };
}
