import { systemFacts } from '../../electric/index.js';
import { DemandSum, type MinuteWindow } from './demand-sum.js';
import { eachSpan } from './each-span.js';
import { surgeOnLegVA, type TracedHouse, type TracedLoad } from './traced-house.js';

/** What may be drawn for as long as one likes, VA. */
export interface RunningLimit {
  readonly wholeVA: number;
  readonly legVA: number;
}

/** Demand minute by minute. */
export interface DemandTrace extends MinuteWindow {
  /** See {@link DemandSum}. */
  readonly demandW: readonly Float64Array[];
  readonly peakVA: readonly (readonly Float64Array[])[];
  /** What was left off for want of room, W. */
  readonly noRoomW: Float64Array;
  /** Minutes in which a load of the lane "where there is room" runs, for the fine look at a minute. */
  readonly managed: readonly { readonly load: TracedLoad; readonly on: Uint8Array }[];
}

/** Stages and axes of the demand of a house. */
export const newDemandSum = (house: TracedHouse, window: MinuteWindow): DemandSum =>
  new DemandSum(window, house.thresholds.length + 1, systemFacts[house.system].legs.length + 1);

/** Works out the demand of a house for a window of minutes. */
export function demandTrace(house: TracedHouse, window: MinuteWindow, limit: RunningLimit): DemandTrace {
  const sum = newDemandSum(house, window);
  sum.fill(house.loads.filter(({ kept }) => kept !== 'where-room'));
  return withManagedIn(house, sum, limit);
}

/**
 * The demand of a house from that of its loads which are on in any case, with those that are on where there is room. Where there
 * are such loads, the sum is left as it is, and the trace is one of its own.
 */
export function withManaged(house: TracedHouse, sum: DemandSum, limit: RunningLimit): DemandTrace {
  if (house.loads.every(({ kept }) => kept !== 'where-room')) return withManagedIn(house, sum, limit);
  return withManagedIn(
    house,
    {
      window: sum.window,
      demandW: sum.demandW.map((watts) => watts.slice()),
      peakVA: sum.peakVA.map((axes) => axes.map((peaks) => peaks.slice())),
    },
    limit,
  );
}

/** The same, written into the sum itself. */
function withManagedIn(
  house: TracedHouse,
  { window: { fromMinute, minutes }, demandW, peakVA }: Pick<DemandSum, 'window' | 'demandW' | 'peakVA'>,
  limit: RunningLimit,
): DemandTrace {
  const guests = house.loads.filter(({ kept }) => kept === 'where-room');
  const noRoomW = new Float64Array(minutes);
  const managed = guests
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
      const [highest] = peakVA;
      const runsVA = [load.powerVA, ...load.legVA];
      const atMostVA = [
        load.powerVA + load.surgeVA,
        ...load.legVA.map((va, leg) => va + surgeOnLegVA(load, leg)),
      ];
      for (let m = 0; m < minutes; m += 1) {
        if (wantsW[m] === 0) continue;
        let fits = highest![0]![m]! + atMostVA[0]! <= limit.wholeVA;
        for (let axis = 1; fits && axis < atMostVA.length; axis += 1) {
          fits = atMostVA[axis] === 0 || highest![axis]![m]! + atMostVA[axis]! <= limit.legVA;
        }
        if (!fits) {
          noRoomW[m]! += wantsW[m]!;
          continue;
        }
        on[m] = 1;
        // It starts as its thermostat calls, and as it is let on again.
        const starts = load.surgeVA > 0 && (begins[m] === 1 || (m > 0 && on[m - 1] === 0));
        const addsVA = starts ? atMostVA : runsVA;
        for (let stage = 0; stage < demandW.length; stage += 1) {
          demandW[stage]![m]! += wantsW[m]!;
          for (let axis = 0; axis < addsVA.length; axis += 1) peakVA[stage]![axis]![m]! += addsVA[axis]!;
        }
      }
      return { load, on };
    });
  return { fromMinute, minutes, demandW, peakVA, noRoomW, managed };
}
