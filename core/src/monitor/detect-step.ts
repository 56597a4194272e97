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

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
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
  const beforeW = mean(samples.slice(Math.max(0, best.at - 5), best.at).map(({ powerW }) => powerW));
  // The first sample after the step may hold part of the start.
  const settled = samples.slice(best.at + 1).map(({ powerW }) => powerW);
  const runningW = median(settled) - beforeW;
  if (runningW < leastStepW) return null;
  const startW = Math.max(...samples.slice(best.at - 1, best.at + 3).map(({ peakW }) => peakW)) - beforeW;
  const multiple = startW / runningW;
  return {
    runningW,
    startW: Math.max(runningW, startW),
    multiple: multiple >= leastSurge ? multiple : 1,
    beforeW,
  };
}
