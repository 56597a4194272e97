import type { DemandTrace } from './demand-trace.js';
import type { OverloadAxis } from '../output/overload-axes.js';
import { markOverloads, slackVA } from './mark-overloads.js';
import { stepsBetween } from './switching-steps.js';
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
  return trace.peakVA.map((peaks, stage) => {
    const marks = new Uint8Array(trace.minutes);
    const running = new Uint8Array(trace.minutes);
    const loads = house.loads.filter(({ offFromStage }) => offFromStage > stage);
    const over = new Uint8Array(trace.minutes);
    const only = within && within[stage]!;
    axes.forEach(({ part, levels }, axis) => {
      // The battery's watts are never more than the volt-amperes of the whole.
      const peak = peaks[part === 'battery' ? 0 : axis]!;
      const limitVA = levels[0]!.aboveVA + slackVA;
      if (only === null) {
        for (let m = 0; m < peak.length; m += 1) if (peak[m]! > limitVA) over[m] = 1;
        return;
      }
      for (let m = nextMark(only, 0); m >= 0; m = nextMark(only, m + 1)) {
        if (peak[m]! > limitVA) over[m] = 1;
      }
    });
    let m = 0;
    let cutAt = -1;
    while (m < trace.minutes) {
      m = over.indexOf(1, m);
      if (m < 0) break;
      let end = m + 1;
      // A long stretch is cut, so that the lists of steps stay short; the next one looks back as far as a curve holds.
      while (end < trace.minutes && end - m < 720 && over[end] === 1) end += 1;
      // What started in the minute before may still be starting.
      const from = Math.max(0, m - 1 - (m === cutAt || only !== null ? longestMin : 0));
      cutAt = end;
      const steps = stepsBetween(loads, trace, from, end);
      markOverloads(steps, axes, from, end, marks);
      const surges = steps.some(({ surge }) => surge);
      if (surges && marks.subarray(from, end).some((mark) => mark > 0)) {
        running.fill(0, from, end);
        markOverloads(
          steps.filter(({ surge }) => !surge),
          axes,
          from,
          end,
          running,
        );
        const begins = new Set(
          steps.flatMap(({ at, surge, deltaVA }) => (surge && deltaVA[0]! > 0 ? [Math.floor(at)] : [])),
        );
        for (let i = Math.max(from, m - 1); i < end; i += 1) {
          if (marks[i] === 0 || marks[i]! >= startMark || running[i]! > 0) continue;
          // The rest of a start that has tripped in the minute before trips nothing more.
          if (i > 0 && marks[i - 1]! > 0 && !begins.has(i)) marks[i] = 0;
          else marks[i]! += startMark;
        }
      }
      m = end;
    }
    return marks;
  });
}

/** The next marked minute from one on; -1 where there is none. */
function nextMark(marks: Uint8Array, from: number): number {
  for (let m = from; m < marks.length; m += 1) if (marks[m]! > 0) return m;
  return -1;
}
