import type { Member } from '../backup/power-members.js';
import { countsInEnergy } from '../backup/power-members.js';
import { runningPowerVA } from '../load/running-power.js';
import type { Load, Tier } from '../load/load.schema.js';
import { startDemand } from '../starting/start-demand.js';
import { legShare } from '../supply/leg-share.js';
import { systemFacts } from '../supply/legs.js';
import type { SupplySystem } from '../supply/supply.schema.js';
import type { DegreeFactors } from './degree-factors.js';
import { loadCycles, type LoadCycles } from './load-cycles.js';
import { minutesOfDay } from './minutes.js';
import type { Scenario } from './scenario.schema.js';
import { useKept } from './saving-household.js';

/** How a load is kept off. */
export type Kept = 'always' | 'by-charge' | 'where-room';

/** A load that an outage may serve, with everything that is asked of it minute by minute. */
export interface TracedLoad {
  readonly load: Load;
  readonly tier: Tier;
  readonly cycles: LoadCycles;
  readonly kept: Kept;
  /** Stage of shedding from which on it is off; Infinity where the charge never sheds it. */
  readonly offFromStage: number;
  readonly powerW: number;
  readonly powerVA: number;
  /** Of powerVA, on each leg of the supply. */
  readonly legVA: readonly number[];
  /** While one piece starts, on top of running: VA, and for how long; 0 for none. */
  readonly surgeVA: number;
  readonly surgeS: number;
  /** Circuits of a lower order are shed first. */
  readonly order: number;
}

export interface TracedHouse {
  readonly system: SupplySystem;
  readonly loads: readonly TracedLoad[];
  /** Shares of the charge below which something is shed, highest first: stage 0 lies above the first. */
  readonly thresholds: readonly number[];
}

export interface HouseHabits {
  readonly seed: number;
  readonly latitudeDeg: number;
  readonly factors: DegreeFactors;
  readonly household: Scenario['household'];
  readonly handsOn: boolean;
}

/** The loads of a backup set as an outage plays them. */
export function traceHouse(
  system: SupplySystem,
  members: readonly Member[],
  habits: HouseHabits,
): TracedHouse {
  const counted = members.filter((member) => countsInEnergy(member, habits.handsOn));
  const thresholds = [
    ...new Set(counted.flatMap(({ shed }) => (shed?.when === 'charge' ? [shed.belowCharge] : []))),
  ].toSorted((a, b) => b - a);
  const { legs } = systemFacts[system];
  const loads = counted.flatMap(({ load, shed }): TracedLoad[] => {
    const useFactor = useKept[habits.household][load.tier];
    if (useFactor === 0) return [];
    const start = startDemand(system, load);
    const powerVA = load.quantity * runningPowerVA(load);
    return [
      {
        load,
        tier: load.tier,
        cycles: loadCycles(load, habits.seed, habits.latitudeDeg, habits.factors, useFactor),
        kept: shed?.when === 'charge' ? 'by-charge' : shed?.when === 'power' ? 'where-room' : 'always',
        offFromStage: shed?.when === 'charge' ? thresholds.indexOf(shed.belowCharge) + 1 : Infinity,
        powerW: load.quantity * load.runningPowerW,
        powerVA,
        legVA: legs.map((leg) => powerVA * legShare(system, load.legs, leg)),
        surgeVA: start ? Math.max(0, start.startVA - runningPowerVA(load)) : 0,
        surgeS: start?.durationS ?? 0,
        order: shed?.order ?? 99,
      },
    ];
  });
  return { system, loads, thresholds };
}

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

/** Place of the first span of a day that ends after a minute of it; spans are in order. */
function firstAfter(spans: Float64Array, minute: number): number {
  let low = 0;
  let high = spans.length / 2;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (spans[2 * middle + 1]! > minute) high = middle;
    else low = middle + 1;
  }
  return 2 * low;
}

/** Calls back for every stretch in which a load runs, cut to a window, in minutes from the window's beginning. */
export function eachSpan(
  cycles: LoadCycles,
  fromMinute: number,
  minutes: number,
  span: (from: number, to: number, starts: boolean) => void,
): void {
  const firstDay = Math.floor(fromMinute / minutesOfDay);
  const lastDay = Math.floor((fromMinute + minutes - 1) / minutesOfDay);
  for (let day = firstDay; day <= lastDay; day += 1) {
    const spans = cycles.onDay(day);
    const shift = day * minutesOfDay - fromMinute;
    for (let i = firstAfter(spans, -shift); i < spans.length; i += 2) {
      const from = spans[i]! + shift;
      if (from >= minutes) return;
      // What was on until midnight did not start at midnight.
      const runsOn = spans[i]! < 1e-9 && (cycles.onDay(day - 1).at(-1) ?? 0) > minutesOfDay - 1e-9;
      span(Math.max(0, from), Math.min(minutes, spans[i + 1]! + shift), from >= 0 && !runsOn);
    }
  }
}

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
  if (starts && load.surgeVA > 0 && first <= last) {
    peakVA[0]![first]! += load.surgeVA;
    for (let leg = 0; leg < load.legVA.length; leg += 1) {
      peakVA[leg + 1]![first]! += load.surgeVA * (load.powerVA > 0 ? load.legVA[leg]! / load.powerVA : 0);
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
      eachSpan(load.cycles, fromMinute, minutes, (from, to) => {
        for (let m = Math.floor(from); m < Math.min(minutes, Math.ceil(to)); m += 1) {
          wantsW[m]! += load.powerW * (Math.min(to, m + 1) - Math.max(from, m));
        }
      });
      for (let m = 0; m < minutes; m += 1) {
        if (wantsW[m] === 0) continue;
        const fits =
          peakVA[0]![0]![m]! + load.powerVA + load.surgeVA <= limit.wholeVA &&
          load.legVA.every((va, leg) => va === 0 || peakVA[0]![leg + 1]![m]! + va <= limit.legVA);
        if (!fits) {
          noRoomW[m]! += wantsW[m]!;
          continue;
        }
        on[m] = 1;
        for (let stage = 0; stage < stageCount; stage += 1) {
          demandW[stage]![m]! += wantsW[m]!;
          peakVA[stage]![0]![m]! += load.powerVA;
          load.legVA.forEach((va, leg) => {
            peakVA[stage]![leg + 1]![m]! += va;
          });
        }
      }
      return { load, on };
    });
  return { fromMinute, minutes, demandW, peakVA, noRoomW, managed };
}
