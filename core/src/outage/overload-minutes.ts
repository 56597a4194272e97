import { tripLevels, type TripLevel } from '../demand/expected-trips.js';
import { overloadOfShare } from '../inverter/overload-of-share.js';
import type { Stack } from '../sizing/stack.js';
import { runningLimitVA } from '../sizing/stack.js';
import { eachSpan, type DemandTrace, type TracedHouse, type TracedLoad } from './demand-trace.js';

/** A part of the output that has a limit of its own: the whole, or a leg (1 = L1). */
export interface OverloadAxis {
  readonly leg: number;
  readonly levels: readonly TripLevel[];
}

/** The limits of a stack as the overload check wants them: whole first, then one for each leg. */
export function overloadAxes(stack: Stack, legCount: number): OverloadAxis[] {
  const wholeVA = runningLimitVA(stack);
  const legVA = Math.min(stack.perLegVA, wholeVA);
  const ofLeg = overloadOfShare(stack.overload, stack.perLegVA / stack.continuousVA);
  return [
    { leg: 0, levels: tripLevels(wholeVA, stack.overload) },
    ...Array.from({ length: legCount }, (_, index) => ({ leg: index + 1, levels: tripLevels(legVA, ofLeg) })),
  ];
}

/** After this share of a start its current falls; until its end it stands at this level (see start-shape.ts, as two steps). */
const plateauShare = 0.7;
const fallLevel = 0.65;

interface Step {
  /** Minutes from the beginning of the trace. */
  readonly at: number;
  readonly deltaVA: Float64Array;
  /** Part of a start, over and above running. */
  readonly surge: boolean;
}

/** What the loads do to the demand of every axis between two minutes, in order of time. */
export function stepsBetween(
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'managed'>,
  from: number,
  to: number,
  axes: number,
): Step[] {
  const steps: Step[] = [];
  const add = (load: TracedLoad, at: number, wholeVA: number, surge = false): void => {
    const deltaVA = new Float64Array(axes);
    deltaVA[0] = wholeVA;
    for (let leg = 1; leg < axes; leg += 1) {
      deltaVA[leg] = load.powerVA > 0 ? wholeVA * (load.legVA[leg - 1]! / load.powerVA) : 0;
    }
    steps.push({ at, deltaVA, surge });
  };
  for (const load of loads) {
    const runs = trace.managed.find(({ load: other }) => other.load === load.load)?.on;
    eachSpan(load.cycles, trace.fromMinute + from, to - from, (begin, end, starts) => {
      if (runs) {
        for (let m = Math.floor(begin); m < Math.ceil(end); m += 1) {
          if (runs[from + m] !== 1) continue;
          add(load, from + Math.max(begin, m), load.powerVA);
          add(load, from + Math.min(end, m + 1), -load.powerVA);
        }
        return;
      }
      add(load, from + begin, load.powerVA);
      add(load, from + end, -load.powerVA);
      if (starts && load.surgeVA > 0) {
        const surgeMin = load.surgeS / 60;
        add(load, from + begin, load.surgeVA, true);
        add(load, from + begin + plateauShare * surgeMin, -load.surgeVA * (1 - fallLevel), true);
        add(load, from + begin + surgeMin, -load.surgeVA * fallLevel, true);
      }
    });
  }
  return steps.toSorted((a, b) => a.at - b.at);
}

const slackVA = 1e-6;
const slackMin = 1e-9;

/**
 * Marks minutes in which an overload outlasts what the curve allows: the axis that passes first, plus one; 0 where it holds.
 * Looks at the exact moments of switching and starting, not at steps.
 */
export function markOverloads(
  steps: readonly Pick<Step, 'at' | 'deltaVA'>[],
  axes: readonly OverloadAxis[],
  from: number,
  to: number,
  marks: Uint8Array,
): void {
  const now = new Float64Array(axes.length);
  const since = axes.map(({ levels }) => new Float64Array(levels.length).fill(Infinity));
  const settle = (begin: number, end: number): void => {
    axes.forEach(({ levels }, axis) => {
      levels.forEach(({ aboveVA, heldS }, level) => {
        if (now[axis]! <= aboveVA + slackVA) {
          since[axis]![level] = Infinity;
          return;
        }
        since[axis]![level] = Math.min(since[axis]![level]!, begin);
        const passes = Math.max(begin, since[axis]![level]! + heldS / 60);
        for (
          let m = Math.floor(passes);
          m < Math.min(to, Math.ceil(end)) && end > passes + slackMin;
          m += 1
        ) {
          if (m >= from && marks[m] === 0) marks[m] = axis + 1;
        }
      });
    });
  };
  let at = from;
  for (const step of steps) {
    if (step.at > at + slackMin) {
      settle(at, step.at);
      at = step.at;
    }
    for (let axis = 0; axis < axes.length; axis += 1) now[axis]! += step.deltaVA[axis]!;
  }
  if (at < to) settle(at, to);
}

/** Added to a mark where running loads alone would be held: a start is what trips. */
export const startMark = 16;

/**
 * For each stage of shedding, the minutes in which the inverter disconnects, see {@link markOverloads}; with
 * {@link startMark} added where it is a start that passes the limit.
 */
export function overloadMinutes(
  house: TracedHouse,
  trace: DemandTrace,
  axes: readonly OverloadAxis[],
): Uint8Array[] {
  return trace.peakVA.map((peaks, stage) => {
    const marks = new Uint8Array(trace.minutes);
    const running = new Uint8Array(trace.minutes);
    const loads = house.loads.filter(({ offFromStage }) => offFromStage > stage);
    const suspect = (m: number): boolean =>
      peaks.some((peak, axis) => peak[m]! > axes[axis]!.levels[0]!.aboveVA + slackVA);
    let m = 0;
    while (m < trace.minutes) {
      if (!suspect(m)) {
        m += 1;
        continue;
      }
      let end = m + 1;
      // A long stretch is cut, so that the lists of steps stay short; timers begin anew, which is on the kind side by seconds.
      while (end < trace.minutes && end - m < 720 && suspect(end)) end += 1;
      const steps = stepsBetween(loads, trace, m, end, axes.length);
      markOverloads(steps, axes, m, end, marks);
      const surges = steps.some(({ surge }) => surge);
      if (surges && marks.subarray(m, end).some((mark) => mark > 0)) {
        running.fill(0, m, end);
        markOverloads(
          steps.filter(({ surge }) => !surge),
          axes,
          m,
          end,
          running,
        );
        for (let i = m; i < end; i += 1) if (marks[i]! > 0 && running[i] === 0) marks[i]! += startMark;
      }
      m = end;
    }
    return marks;
  });
}
