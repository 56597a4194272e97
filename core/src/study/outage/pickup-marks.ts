import { gapEffects } from '../gap/ride-through.js';
import { restartDelayS } from '../../house/details.js';
import type { DemandTrace } from './demand-trace.js';
import { eachSpan } from './each-span.js';
import type { OverloadAxis } from '../output/overload-axes.js';
import { markOverloads } from './mark-overloads.js';
import { onStep, startSteps, type Step } from './switching-steps.js';
import type { TracedHouse, TracedLoad } from './traced-house.js';

/** Motors that wait longer do not start together with the others, min. */
const followedMin = 5;

/**
 * What happens when the grid goes away in a minute of a window: motors that are running and notice the gap start again, each
 * after its own delay, on top of everything else that is on.
 */
export class PickupMarks {
  private readonly surging: ReadonlySet<TracedLoad>;

  constructor(
    private readonly house: TracedHouse,
    private readonly window: Pick<DemandTrace, 'fromMinute' | 'minutes'>,
    private readonly axes: readonly OverloadAxis[],
    /** null = not stated: no motor rides through. */
    gapMs: number | null,
  ) {
    const noticed = new Set(
      gapEffects(
        house.loads.map(({ load }) => load),
        gapMs ?? Infinity,
      ).map(({ loadId }) => loadId),
    );
    this.surging = new Set(house.loads.filter(({ load, surgeVA }) => surgeVA > 0 && noticed.has(load.id)));
  }

  /**
   * @param minute of the window, whole
   * @returns 0 where it holds, else the axis that trips, plus one
   */
  at(minute: number): number {
    if (this.surging.size === 0) return 0;
    const running: TracedLoad[] = [];
    for (const load of this.house.loads) {
      eachSpan(load.cycles, this.window.fromMinute + minute, 1, (from, to) => {
        if (from === 0 && to > 0) running.push(load);
      });
    }
    return this.markOf(running);
  }

  private markOf(running: readonly TracedLoad[]): number {
    const { axes, surging } = this;
    if (!running.some((load) => surging.has(load))) return 0;
    const steps: Step[] = [];
    for (const load of running) {
      const surges = surging.has(load);
      const at = surges ? restartDelayS(load.load) / 60 : 0;
      if (at >= followedMin) continue;
      steps.push(onStep(load, at));
      if (surges) steps.push(...startSteps(load, at));
    }
    const minutes = new Uint8Array(followedMin);
    markOverloads(
      steps.toSorted((a, b) => a.at - b.at),
      axes,
      0,
      followedMin,
      minutes,
    );
    return minutes.find((mark) => mark > 0) ?? 0;
  }
}
