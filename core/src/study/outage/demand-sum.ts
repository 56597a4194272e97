import { eachSpan } from './each-span.js';
import { surgeOnLegVA, type TracedLoad } from './traced-house.js';

/** Values are kept as multiples of this: sums are then exact, whatever is added or taken away, and in whatever order. */
const quantum = 2 ** -20;
const rounded = (value: number): number => Math.round(value / quantum) * quantum;

/** A stretch of minutes. */
export interface MinuteWindow {
  /** First minute, counted from the beginning of the year; may lie in the year after. */
  readonly fromMinute: number;
  readonly minutes: number;
}

/** The demand of a set of loads minute by minute, to which loads can be added and from which they can be taken away. */
export class DemandSum {
  /** By stage of shedding: mean of each minute, W. */
  readonly demandW: Float64Array[];
  /** By stage: highest that may come together within a minute, starts included, VA; whole, then each leg. */
  readonly peakVA: Float64Array[][];
  /** What was worked out from the sum as it stands, by what it was worked out for; forgotten when it changes. */
  readonly overloads = new Map<string, Uint8Array[]>();

  constructor(
    readonly window: MinuteWindow,
    readonly stageCount: number,
    private readonly axes: number,
  ) {
    const { minutes } = window;
    this.demandW = Array.from({ length: stageCount }, () => new Float64Array(minutes));
    this.peakVA = Array.from({ length: stageCount }, () =>
      Array.from({ length: axes }, () => new Float64Array(minutes)),
    );
  }

  /**
   * @param sign 1 to add a load, -1 to take it away
   * @param load one that is not kept off where there is no room: whether it runs depends on the others
   */
  add(load: TracedLoad, sign: 1 | -1): void {
    this.overloads.clear();
    const { fromMinute, minutes } = this.window;
    const stages = Math.min(load.offFromStage, this.stageCount);
    const steps = this.stepsOf(load);
    for (let stage = 0; stage < stages; stage += 1) {
      const demandW = this.demandW[stage]!;
      const peakVA = this.peakVA[stage]!;
      eachSpan(load.cycles, fromMinute, minutes, (from, to, starts) => {
        const first = Math.floor(from);
        const last = Math.min(minutes, Math.ceil(to)) - 1;
        for (let m = first; m <= last; m += 1) {
          const share = Math.min(to, m + 1) - Math.max(from, m);
          demandW[m]! += sign * (share === 1 ? steps.wholeW : rounded(load.powerW * share));
        }
        // A start late in a minute goes on in the next one.
        const surgeEnds =
          starts && load.surgeVA > 0 ? Math.min(minutes - 1, Math.floor(from + load.surgeS / 60)) : -1;
        for (let axis = 0; axis < this.axes; axis += 1) {
          const peaks = peakVA[axis]!;
          const runsVA = sign * steps.runsVA[axis]!;
          if (runsVA !== 0) for (let m = first; m <= last; m += 1) peaks[m]! += runsVA;
          const surgeVA = sign * steps.surgeVA[axis]!;
          for (let m = first; m <= surgeEnds; m += 1) peaks[m]! += surgeVA;
        }
      });
    }
  }

  /**
   * Adds loads to a sum that holds none yet: the same as {@link add} with one after the other, in a third of the time. What
   * changes from one minute to the next is written where the loads of a stage are shed, then summed up once over the minutes
   * and from the last stage to the first. Multiples of the quantum are exact in any order.
   */
  fill(loads: readonly TracedLoad[]): void {
    this.overloads.clear();
    const { fromMinute, minutes } = this.window;
    for (const load of loads) {
      const last = Math.min(load.offFromStage, this.stageCount) - 1;
      if (last < 0) continue;
      const { wholeW, runsVA, surgeVA } = this.stepsOf(load);
      const changesW = this.demandW[last]!;
      const changesVA = this.peakVA[last]!;
      const surgeMin = load.surgeVA > 0 ? load.surgeS / 60 : -1;
      const partW = (minute: number, from: number, to: number): number => {
        const share = Math.min(to, minute + 1) - Math.max(from, minute);
        return share === 1 ? wholeW : rounded(load.powerW * share);
      };
      eachSpan(load.cycles, fromMinute, minutes, (from, to, starts) => {
        const first = Math.floor(from);
        const end = Math.min(minutes, Math.ceil(to));
        if (end <= first) return;
        const firstW = partW(first, from, to);
        const lastW = end - 1 === first ? firstW : partW(end - 1, from, to);
        changesW[first]! += firstW;
        if (end - 1 > first) {
          changesW[first + 1]! += wholeW - firstW;
          changesW[end - 1]! += lastW - wholeW;
        }
        if (end < minutes) changesW[end]! -= lastW;
        const surgeEnd = starts && surgeMin >= 0 ? Math.min(minutes, Math.floor(from + surgeMin) + 1) : first;
        for (let axis = 0; axis < this.axes; axis += 1) {
          const changes = changesVA[axis]!;
          changes[first]! += runsVA[axis]!;
          if (end < minutes) changes[end]! -= runsVA[axis]!;
          if (surgeEnd > first) {
            changes[first]! += surgeVA[axis]!;
            if (surgeEnd < minutes) changes[surgeEnd]! -= surgeVA[axis]!;
          }
        }
      });
    }
    for (let stage = this.stageCount - 1; stage >= 0; stage -= 1) {
      sumUp(this.demandW[stage]!, this.demandW[stage + 1]);
      this.peakVA[stage]!.forEach((changes, axis) => sumUp(changes, this.peakVA[stage + 1]?.[axis]));
    }
  }

  private stepsOf(load: TracedLoad) {
    const legs = Array.from({ length: this.axes - 1 }, (_, leg) => leg);
    return {
      wholeW: rounded(load.powerW),
      runsVA: [load.powerVA, ...legs.map((leg) => load.legVA[leg]!)].map(rounded),
      surgeVA: [load.surgeVA, ...legs.map((leg) => surgeOnLegVA(load, leg))].map(rounded),
    };
  }
}

/** From changes to what they come to, on top of another sum. */
function sumUp(changes: Float64Array, onTopOf: Float64Array | undefined): void {
  let sum = 0;
  for (let m = 0; m < changes.length; m += 1) {
    sum += changes[m]!;
    changes[m] = onTopOf ? sum + onTopOf[m]! : sum;
  }
}
