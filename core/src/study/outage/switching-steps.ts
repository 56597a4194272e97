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

/** Minutes of a window that are looked at together, from one up to another. */
export interface Stretch {
  readonly from: number;
  readonly end: number;
}

/**
 * What the loads do to the demand of every axis in several stretches of minutes, each in order of time; goes through each load's
 * days only once.
 *
 * @param stretches rising, both their beginnings and their ends; neighbours may overlap
 */
export function stepsOfStretches(
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'managed'>,
  stretches: readonly Stretch[],
): Step[][] {
  const steps = stretches.map((): Step[] => []);
  const [earliest, latest] = [stretches[0]?.from ?? 0, stretches.at(-1)?.end ?? 0];
  for (const load of loads) {
    const runs = trace.managed.find(({ load: other }) => other.load === load.load)?.on;
    let first = 0;
    eachSpan(load.cycles, trace.fromMinute + earliest, latest - earliest, (after, until, starts) => {
      const [begin, end] = [earliest + after, earliest + until];
      while (first < stretches.length && stretches[first]!.end <= begin) first += 1;
      for (let i = first; i < stretches.length && stretches[i]!.from < end; i += 1) {
        const { from, end: to } = stretches[i]!;
        const span = {
          begin: Math.max(begin, from),
          end: Math.min(end, to),
          starts: starts && begin >= from,
        };
        if (runs) managedSteps(load, runs, span, steps[i]!);
        else spanSteps(load, span, steps[i]!);
      }
    });
  }
  for (const of of steps) of.sort((a, b) => a.at - b.at);
  return steps;
}

/** The same for one stretch. */
export const stepsBetween = (
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'managed'>,
  from: number,
  to: number,
): Step[] => stepsOfStretches(loads, trace, [{ from, end: to }])[0]!;

/** A time in which a load wants to run, cut to a stretch. */
interface Span {
  readonly begin: number;
  readonly end: number;
  /** It starts with it. */
  readonly starts: boolean;
}

function spanSteps(load: TracedLoad, { begin, end, starts }: Span, into: Step[]): void {
  into.push(onStep(load, begin), { at: end, deltaVA: deltasOf(load).off, surge: false });
  if (starts && load.surgeVA > 0) into.push(...startSteps(load, begin));
}

/**
 * A load that is on where there is room: minute by minute, as it is let.
 *
 * @param runs by minute of the window
 */
function managedSteps(load: TracedLoad, runs: Uint8Array, span: Span, into: Step[]): void {
  for (let minute = Math.floor(span.begin); minute < Math.ceil(span.end); minute += 1) {
    if (runs[minute] !== 1) continue;
    const begin = Math.max(span.begin, minute);
    const goesOn = minute === 0 || runs[minute - 1] === 1;
    const starts = (span.starts && begin === span.begin) || !goesOn;
    spanSteps(load, { begin, end: Math.min(span.end, minute + 1), starts }, into);
  }
}
