/** A moment of one channel. */
export interface PowerSample {
  readonly atS: number;
  readonly powerW: number;
  /** Highest value since the sample before. */
  readonly peakW: number;
}

/** What changed when one thing was switched on. */
export interface PowerStep {
  readonly runningW: number;
  /** Highest power while it started, above what ran before, W. */
  readonly startW: number;
  /** Start over running; 1 = no surge seen. */
  readonly multiple: number;
  readonly beforeW: number;
}

const median = (values: readonly number[]): number =>
  values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

const leastStepW = 8;
/** A surge below this is noise. */
const leastSurge = 1.15;

/**
 * The step in a channel's power when one thing is switched on: the level after it minus the level before, and the highest value
 * in between as its start.
 *
 * @param samples in order of time, some from before and at least three from after the step
 * @returns null while no clear step is there
 */
export function detectStep(samples: readonly PowerSample[]): PowerStep | null {
  if (samples.length < 5) return null;
  let best: { at: number; size: number } | null = null;
  for (let i = 2; i <= samples.length - 3; i += 1) {
    const before = median(samples.slice(Math.max(0, i - 5), i).map(({ powerW }) => powerW));
    const after = median(samples.slice(i, i + 5).map(({ powerW }) => powerW));
    const size = after - before;
    if (size > (best?.size ?? leastStepW)) best = { at: i, size };
  }
  if (!best) return null;
  // Medians place the step to within a sample or two; the steepest rise there is the moment itself.
  let at = best.at;
  for (let i = Math.max(1, best.at - 2); i <= Math.min(samples.length - 3, best.at + 2); i += 1) {
    const rise = (k: number): number => samples[k]!.powerW - samples[k - 1]!.powerW;
    if (rise(i) > rise(at)) at = i;
  }
  const beforeW = median(samples.slice(Math.max(0, at - 5), at).map(({ powerW }) => powerW));
  // The first sample after the step may hold part of the start.
  const settled = samples.slice(at + 1, at + 12).map(({ powerW }) => powerW);
  const runningW = median(settled) - beforeW;
  if (runningW < leastStepW) return null;
  const startW = Math.max(...samples.slice(at, at + 3).map(({ peakW }) => peakW)) - beforeW;
  const multiple = startW / runningW;
  return {
    runningW,
    startW: Math.max(runningW, startW),
    multiple: multiple >= leastSurge ? multiple : 1,
    beforeW,
  };
}
