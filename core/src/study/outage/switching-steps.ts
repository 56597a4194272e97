import { fallLevel, plateauShare } from '../../electric/index.js';
import type { DemandTrace } from './demand-trace.js';
import { eachSpan } from './each-span.js';
import type { TracedLoad } from './traced-house.js';

/** A moment at which the demand changes: of the whole, then of each leg. */
export interface Step {
  /** Minutes from the beginning of the trace. */
  readonly at: number;
  readonly deltaVA: Float64Array;
  /** Part of a start, over and above running. */
  readonly surge: boolean;
}

/** What a change of a load's power does to the whole and to each leg, VA. */
const onAxes = ({ legVA, powerVA }: TracedLoad, wholeVA: number, axes: number): Float64Array =>
  Float64Array.from({ length: axes }, (_, axis) =>
    axis === 0 ? wholeVA : powerVA > 0 ? wholeVA * (legVA[axis - 1]! / powerVA) : 0,
  );

/** The surge of a start on top of running, in two steps of {@link startShape}: its plateau, the mean of its fall, then gone. */
export function startSteps(load: TracedLoad, at: number, axes: number): Step[] {
  const surgeMin = load.surgeS / 60;
  const step = (after: number, wholeVA: number): Step => ({
    at: at + after * surgeMin,
    deltaVA: onAxes(load, wholeVA, axes),
    surge: true,
  });
  return [
    step(0, load.surgeVA),
    step(plateauShare, -load.surgeVA * (1 - fallLevel)),
    step(1, -load.surgeVA * fallLevel),
  ];
}

/** A load that is there from a moment on. */
export const onStep = (load: TracedLoad, at: number, axes: number): Step => ({
  at,
  deltaVA: onAxes(load, load.powerVA, axes),
  surge: false,
});

/** What the loads do to the demand of every axis between two minutes, in order of time. */
export function stepsBetween(
  loads: readonly TracedLoad[],
  trace: Pick<DemandTrace, 'fromMinute' | 'managed'>,
  from: number,
  to: number,
  axes: number,
): Step[] {
  const steps: Step[] = [];
  const add = (load: TracedLoad, at: number, wholeVA: number): void =>
    void steps.push({ at, deltaVA: onAxes(load, wholeVA, axes), surge: false });
  for (const load of loads) {
    const runs = trace.managed.find(({ load: other }) => other.load === load.load)?.on;
    eachSpan(load.cycles, trace.fromMinute + from, to - from, (begin, end, starts) => {
      if (runs) {
        for (let m = Math.floor(begin); m < Math.ceil(end); m += 1) {
          if (runs[from + m] !== 1) continue;
          const on = from + Math.max(begin, m);
          const goesOn = from + m > 0 ? runs[from + m - 1] === 1 : true;
          add(load, on, load.powerVA);
          if (load.surgeVA > 0 && ((starts && on === from + begin) || !goesOn)) {
            steps.push(...startSteps(load, on, axes));
          }
          add(load, from + Math.min(end, m + 1), -load.powerVA);
        }
        return;
      }
      add(load, from + begin, load.powerVA);
      add(load, from + end, -load.powerVA);
      if (starts && load.surgeVA > 0) steps.push(...startSteps(load, from + begin, axes));
    });
  }
  return steps.toSorted((a, b) => a.at - b.at);
}
