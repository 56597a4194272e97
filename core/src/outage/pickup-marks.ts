import { gapEffects } from '../gap/ride-through.js';
import { restartDelayS } from '../load/kind-behaviour.js';
import { eachSpan, type DemandTrace, type TracedHouse, type TracedLoad } from './demand-trace.js';
import { markOverloads, type OverloadAxis } from './overload-minutes.js';

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
    const steps: { at: number; deltaVA: Float64Array }[] = [];
    const add = (load: TracedLoad, at: number, wholeVA: number): void => {
      const deltaVA = Float64Array.from(axes, ({ leg }) =>
        leg === 0 ? wholeVA : load.powerVA > 0 ? wholeVA * (load.legVA[leg - 1]! / load.powerVA) : 0,
      );
      steps.push({ at, deltaVA });
    };
    for (const load of loads) {
      const surges = surging.includes(load);
      const at = surges ? restartDelayS(load.load) / 60 : 0;
      if (at >= 5) continue;
      add(load, at, load.powerVA);
      if (!surges) continue;
      add(load, at, load.surgeVA);
      add(load, at + (0.7 * load.surgeS) / 60, -load.surgeVA * 0.35);
      add(load, at + load.surgeS / 60, -load.surgeVA * 0.65);
    }
    const minute = new Uint8Array(5);
    markOverloads(
      steps.toSorted((a, b) => a.at - b.at),
      axes,
      0,
      5,
      minute,
    );
    marks[hour] = minute.find((mark) => mark > 0) ?? 0;
  });
  return marks;
}
