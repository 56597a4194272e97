import type { DemandTrace } from './demand-trace.js';
import type { OverloadAxis } from '../output/overload-axes.js';
import { markOverloads, slackVA } from './mark-overloads.js';
import { stepsOfStretches, type Stretch } from './switching-steps.js';
import type { TracedHouse } from './traced-house.js';

/** Added to a mark where running loads alone would be held: a start is what trips. */
export const startMark = 16;

/**
 * For each stage of shedding, the minutes in which the inverter disconnects, see {@link markOverloads}; with
 * {@link startMark} added where it is a start that passes the limit.
 *
 * @param within marks of the same house with some loads more: no other minute can be one; null = look at all
 */
export function overloadMinutes(
  house: TracedHouse,
  trace: DemandTrace,
  axes: readonly OverloadAxis[],
  within: readonly Uint8Array[] | null = null,
): Uint8Array[] {
  const longestS = Math.max(0, ...axes.flatMap(({ levels }) => levels.map(({ heldS }) => heldS)));
  const longestMin = Math.ceil(longestS / 60);
  let stageBefore: Uint8Array | null = null;
  return trace.peakVA.map((peaks, stage) => {
    const marks = new Uint8Array(trace.minutes);
    const running = new Uint8Array(trace.minutes);
    const loads = house.loads.filter(({ offFromStage }) => offFromStage > stage);
    const over = new Uint8Array(trace.minutes);
    // What is shed overloads nothing; what runs where there is room runs in every stage alike.
    const only = within ? within[stage]! : stageBefore;
    // Marks as they are found, those too that are taken away again below.
    const found = new Uint8Array(trace.minutes);
    stageBefore = found;
    axes.forEach(({ part, levels }, axis) => {
      // The battery's watts are never more than the volt-amperes of the whole.
      const peak = peaks[part === 'battery' ? 0 : axis]!;
      const limitVA = levels[0]!.aboveVA + slackVA;
      if (only === null) markAbove(peak, limitVA, over);
      else
        for (let m = nextMark(only, 0); m >= 0; m = nextMark(only, m + 1)) {
          if (peak[m]! > limitVA) over[m] = 1;
        }
    });
    const stretches = stretchesOf(over, longestMin, only !== null);
    const steps = stepsOfStretches(loads, trace, stretches);
    stretches.forEach(({ from, end, over: first }, i) => {
      const all = steps[i]!;
      markOverloads(all, axes, from, end, marks);
      for (let m = from; m < end; m += 1) if (marks[m]! > 0) found[m] = 1;
      const surges = all.some(({ surge }) => surge);
      if (!surges || !marks.subarray(from, end).some((mark) => mark > 0)) return;
      running.fill(0, from, end);
      const withoutStarts = all.filter(({ surge }) => !surge);
      markOverloads(withoutStarts, axes, from, end, running);
      const begins = new Set(
        all.flatMap(({ at, surge, deltaVA }) => (surge && deltaVA[0]! > 0 ? [Math.floor(at)] : [])),
      );
      for (let m = Math.max(from, first - 1); m < end; m += 1) {
        if (marks[m] === 0 || marks[m]! >= startMark || running[m]! > 0) continue;
        // The rest of a start that has tripped in the minute before trips nothing more.
        if (m > 0 && marks[m - 1]! > 0 && !begins.has(m)) marks[m] = 0;
        else marks[m]! += startMark;
      }
    });
    return marks;
  });
}

/** In a function of its own, so that the engine keeps its few values at hand: every minute of a year comes by. */
function markAbove(peak: Float64Array, limitVA: number, over: Uint8Array): void {
  for (let m = 0; m < peak.length; m += 1) if (peak[m]! > limitVA) over[m] = 1;
}

/** The next marked minute from one on; -1 where there is none. */
function nextMark(marks: Uint8Array, from: number): number {
  for (let m = from; m < marks.length; m += 1) if (marks[m]! > 0) return m;
  return -1;
}

/** A stretch is cut at so many minutes, so that its steps stay few. */
const longestStretchMin = 720;

/** A stretch, and the first of its minutes in which a limit may be passed. */
interface OverStretch extends Stretch {
  readonly over: number;
}

/**
 * The minutes to look at more closely, with one before each: what started then may still be starting.
 *
 * @param over 1 for each minute in which a limit may be passed
 * @param lookBackMin as far as a curve holds: after a cut an overload may have begun so long before
 * @param always looks back in any case
 */
function stretchesOf(over: Uint8Array, lookBackMin: number, always: boolean): OverStretch[] {
  const stretches: OverStretch[] = [];
  let cutAt = -1;
  for (let m = over.indexOf(1); m >= 0; m = over.indexOf(1, cutAt)) {
    let end = m + 1;
    while (end < over.length && end - m < longestStretchMin && over[end] === 1) end += 1;
    stretches.push({ from: Math.max(0, m - 1 - (always || m === cutAt ? lookBackMin : 0)), end, over: m });
    cutAt = end;
  }
  return stretches;
}
