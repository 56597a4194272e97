import type { Runtime } from './worst-runtime.js';

/** A stretch of the discharge in which the same loads run. */
export interface DrainStage {
  /** What is drawn in each clock hour while it lasts, 24 values in Wh. */
  readonly drainWh: ArrayLike<number>;
  /** What it may take out of the battery before the next stage begins, Wh. */
  readonly energyWh: number;
}

const negligibleWh = 1e-6;

const dayOf = ({ drainWh }: DrainStage): number => {
  let sum = 0;
  for (let hour = 0; hour < 24; hour += 1) sum += drainWh[hour]!;
  return sum;
};

/** How long a stage lasts when it begins (or, backwards, ends) at a clock time; Infinity where nothing is drawn. */
const lastsH = (stage: DrainStage, clockH: number, direction: 1 | -1): number => {
  const dayWh = dayOf(stage);
  if (stage.energyWh <= 0) return 0;
  if (dayWh < negligibleWh) return Infinity;
  const days = Math.floor(stage.energyWh / dayWh);
  let leftWh = stage.energyWh - days * dayWh;
  let passedH = 0;
  let at = ((clockH % 24) + 24) % 24;
  for (let step = 0; step < 26 && leftWh > 0; step += 1) {
    const hour = direction === 1 ? Math.floor(at) % 24 : (Math.ceil(at) + 23) % 24;
    const restH = direction === 1 ? Math.floor(at) + 1 - at : at - (Math.ceil(at) - 1);
    const rate = stage.drainWh[hour]!;
    if (rate * restH >= leftWh && rate > 0) return days * 24 + passedH + leftWh / rate;
    leftWh -= rate * restH;
    passedH += restH;
    at = direction === 1 ? (Math.floor(at) + 1) % 24 : (Math.ceil(at) + 23) % 24;
  }
  return days * 24 + passedH;
};

/**
 * The shortest time an energy lasts, whenever on a repeating day the outage starts, where loads are shed as the battery
 * empties: each stage takes its own energy, one after the other.
 *
 * The profiles are constant within each hour, so the shortest run has its start, its end or the beginning of one of its
 * stages on a full hour, and looking at those is exact. With one stage it is {@link worstRuntime}.
 *
 * @param stages in the order they come, at least one
 */
export function stagedRuntime(stages: readonly DrainStage[]): Runtime {
  let best: Runtime = { runtimeH: Infinity, startHour: 0 };
  for (let pinned = 0; pinned <= stages.length; pinned += 1) {
    for (let clock = 0; clock < 24; clock += 1) {
      // The stages before the pinned moment are followed backwards, the others forwards.
      let beforeH = 0;
      for (let s = pinned - 1; s >= 0; s -= 1) beforeH += lastsH(stages[s]!, clock - beforeH, -1);
      let afterH = 0;
      for (let s = pinned; s < stages.length && Number.isFinite(beforeH); s += 1) {
        if (!Number.isFinite(afterH)) break;
        afterH += lastsH(stages[s]!, clock + afterH, 1);
      }
      const runtimeH = beforeH + afterH;
      if (runtimeH < best.runtimeH - 1e-12) {
        best = { runtimeH, startHour: (((clock - beforeH) % 24) + 24) % 24 };
      }
    }
  }
  return best;
}
