import { fallLevel, plateauShare } from '../../electric/index.js';
import type { DemandTrace } from './demand-trace.js';
import { eachSpan } from './each-span.js';
import type { TracedLoad } from './traced-house.js';

/** A moment at which the demand changes: of the whole, then of each leg, VA; last of the battery, W. */
export interface Step {
  /** Minutes from the beginning of the trace. */
  readonly at: number;
  /** Shared between steps; not to be written to. */
  readonly deltaVA: Float64Array;
  /** Part of a start, over and above running. */
  readonly surge: boolean;
}

/** What the switching of a load does to each of them. */
interface Deltas {
  readonly on: Float64Array;
  readonly off: Float64Array;
  readonly surge: Float64Array;
  readonly falls: Float64Array;
  readonly ends: Float64Array;
}

/** Worked out once a load: a window has thousands of steps. */
const known = new WeakMap<TracedLoad, Deltas>();

function deltasOf(load: TracedLoad): Deltas {
  const found = known.get(load);
  if (found) return found;
  const { powerVA, powerW, legVA, surgeVA, surgeW } = load;
  const shares = [1, ...legVA.map((va) => (powerVA > 0 ? va / powerVA : 0))];
  const on = (wholeVA: number, batteryW: number): Float64Array =>
    Float64Array.of(...shares.map((share) => share * wholeVA), batteryW);
  const surges = (part: number): Float64Array => on(part * surgeVA, part * surgeW);
  const deltas = {
    on: on(powerVA, powerW),
    off: on(-powerVA, -powerW),
    surge: surges(1),
    falls: surges(-(1 - fallLevel)),
    ends: surges(-fallLevel),
  };
  known.set(load, deltas);
  return deltas;
}

/** The surge of a start on top of running, in two steps of {@link startShape}: its plateau, the mean of its fall, then gone. */
export function startSteps(load: TracedLoad, at: number): Step[] {
  const surgeMin = load.surgeS / 60;
  const { surge, falls, ends } = deltasOf(load);
  return [
    { at, deltaVA: surge, surge: true },
    { at: at + plateauShare * surgeMin, deltaVA: falls, surge: true },
    { at: at + surgeMin, deltaVA: ends, surge: true },
  ];
}

/** A load that is there from a moment on. */
export const onStep = (load: TracedLoad, at: number): Step => ({
  at,
  deltaVA: deltasOf(load).on,
  surge: false,
});

/** What the loads do to the demand of every axis between two minutes, in order of time. */
export function stepsBetween(
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'managed'>,
  from: number,
  to: number,
): Step[] {
  const steps: Step[] = [];
  for (const load of loads) {
    const { off } = deltasOf(load);
    const runs = trace.managed.find(({ load: other }) => other.load === load.load)?.on;
    eachSpan(load.cycles, trace.fromMinute + from, to - from, (begin, end, starts) => {
      if (runs) {
        for (let m = Math.floor(begin); m < Math.ceil(end); m += 1) {
          if (runs[from + m] !== 1) continue;
          const on = from + Math.max(begin, m);
          const goesOn = from + m > 0 ? runs[from + m - 1] === 1 : true;
          steps.push(onStep(load, on), { at: from + Math.min(end, m + 1), deltaVA: off, surge: false });
          if (load.surgeVA > 0 && ((starts && on === from + begin) || !goesOn)) {
            steps.push(...startSteps(load, on));
          }
        }
        return;
      }
      steps.push(onStep(load, from + begin), { at: from + end, deltaVA: off, surge: false });
      if (starts && load.surgeVA > 0) steps.push(...startSteps(load, from + begin));
    });
  }
  return steps.sort((a, b) => a.at - b.at);
}

/** Minutes of a window that are looked at together, from one up to another. */
export interface Stretch {
  readonly from: number;
  readonly end: number;
}

/**
 * The same for many stretches at once, going through each load's day only once.
 *
 * @param stretches rising, both their beginnings and their ends; neighbours may overlap
 */
export function stepsOfStretches(
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'minutes' | 'managed'>,
  stretches: readonly Stretch[],
): Step[][] {
  const steps = stretches.map((): Step[] => []);
  for (const load of loads) {
    if (trace.managed.some(({ load: other }) => other.load === load.load)) {
      stretches.forEach(({ from, end }, i) => steps[i]!.push(...stepsBetween([load], trace, from, end)));
      continue;
    }
    const { off } = deltasOf(load);
    let first = 0;
    eachSpan(load.cycles, trace.fromMinute, trace.minutes, (begin, end, starts) => {
      while (first < stretches.length && stretches[first]!.end <= begin) first += 1;
      for (let i = first; i < stretches.length && stretches[i]!.from < end; i += 1) {
        const { from, end: to } = stretches[i]!;
        const of = steps[i]!;
        of.push(onStep(load, Math.max(begin, from)), { at: Math.min(end, to), deltaVA: off, surge: false });
        if (starts && begin >= from && load.surgeVA > 0) of.push(...startSteps(load, begin));
      }
    });
  }
  for (const of of steps) of.sort((a, b) => a.at - b.at);
  return steps;
}
