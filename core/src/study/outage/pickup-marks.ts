import { gapEffects } from '../gap/ride-through.js';
import { restartDelayS } from '../../house/index.js';
import type { DemandTrace } from './demand-trace.js';
import { eachSpan } from './each-span.js';
import type { OverloadAxis } from '../demand/overload-axes.js';
import { markOverloads } from './mark-overloads.js';
import { onStep, startSteps, type Step } from './switching-steps.js';
import type { TracedHouse, TracedLoad } from './traced-house.js';

/** Motors that wait longer do not start together with the others, min. */
const followedMin = 5;

/**
 * What happens when the grid goes away at the beginning of each hour of a window: motors that are running and notice the gap
 * start again, each after its own delay, on top of everything else that is on.
 *
 * @returns for each hour 0, or the axis that trips, plus one
 */
export function pickupMarks(
  house: TracedHouse,
  { fromMinute, minutes }: Pick<DemandTrace, 'fromMinute' | 'minutes'>,
  axes: readonly OverloadAxis[],
  gapMs: number,
): Uint8Array {
  const hours = Math.floor(minutes / 60);
  const marks = new Uint8Array(hours);
  const noticed = new Set(
    gapEffects(
      house.loads.map(({ load }) => load),
      gapMs,
    ).map(({ loadId }) => loadId),
  );
  const surging = house.loads.filter(({ load, surgeVA }) => surgeVA > 0 && noticed.has(load.id));
  if (surging.length === 0) return marks;
  const runningAt: TracedLoad[][] = Array.from({ length: hours }, () => []);
  for (const load of house.loads) {
    eachSpan(load.cycles, fromMinute, minutes, (from, to) => {
      for (let hour = Math.ceil(from / 60); hour * 60 < to && hour < hours; hour += 1)
        runningAt[hour]!.push(load);
    });
  }
  runningAt.forEach((loads, hour) => {
    if (!loads.some((load) => surging.includes(load))) return;
    const steps: Step[] = [];
    for (const load of loads) {
      const surges = surging.includes(load);
      const at = surges ? restartDelayS(load.load) / 60 : 0;
      if (at >= followedMin) continue;
      steps.push(onStep(load, at, axes.length));
      if (surges) steps.push(...startSteps(load, at, axes.length));
    }
    const minute = new Uint8Array(followedMin);
    markOverloads(
      steps.toSorted((a, b) => a.at - b.at),
      axes,
      0,
      followedMin,
      minute,
    );
    marks[hour] = minute.find((mark) => mark > 0) ?? 0;
  });
  return marks;
}
