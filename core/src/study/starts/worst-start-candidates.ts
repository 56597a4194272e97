import { startBends, startShapeBefore } from '../../electric/index.js';
import type { StartDemand } from './start-demand.js';

/** A load that starts with a surge, as seen by the search for the worst start. */
export interface Starter extends StartDemand {
  /** How many pieces it has; they start one after the other. */
  readonly pieces: number;
  /** All pieces running, on each axis looked at (the whole, then each leg), VA. */
  readonly runningVA: readonly number[];
  /** One piece starting, on the same axes, VA. */
  readonly surgeVA: readonly number[];
  /** In which of the cases looked at it may start at all. */
  readonly active: readonly boolean[];
}

/** Quantiles are rounded to bins; a starter is left out only when it is behind by more than that. */
const slackVA = 120;

/** Is what `strong` adds to the demand at least what `weak` stands at, on an axis, as long as the weak one starts? */
const outlasts = (strong: Starter, weak: Starter, axis: number): boolean => {
  const excessVA = strong.surgeVA[axis]! - strong.runningVA[axis]! / strong.pieces;
  const weakExcessVA = weak.surgeVA[axis]! - weak.runningVA[axis]! / weak.pieces;
  // Both shapes are straight between their bends, so the bends decide.
  return [...startBends(strong.durationS), ...startBends(weak.durationS)].every((timeS) => {
    if (timeS > weak.durationS) return true;
    const addsVA = excessVA * startShapeBefore(timeS, strong.durationS);
    const standsVA = weak.runningVA[axis]! + weakExcessVA * startShapeBefore(timeS, weak.durationS);
    return addsVA >= standsVA + slackVA;
  });
};

const outdoes = (strong: Starter, weak: Starter): boolean =>
  strong.durationS >= weak.durationS &&
  (strong.acrossTheLine || !weak.acrossTheLine) &&
  strong.startA >= weak.startA &&
  weak.surgeVA.every((va, axis) => va === 0 || outlasts(strong, weak, axis)) &&
  weak.active.every((active, index) => !active || strong.active[index]!);

/**
 * The starters that can be the worst start of a set, whatever the inverter.
 *
 * With everything else running at demand Q, i stands at most at Q + R_i + (S_i − r_i) · f_i(t) while it starts, R being its
 * running power, r that of one piece, and f the shape of a start. The start of j stands at least at Q + (S_j − r_j) · f_j(t), since
 * leaving j out lowers the demand by no more than its running power. So j outdoes i when the second is never below the first
 * as long as i starts, on every axis.
 *
 * @returns indices into `starters`
 */
export function worstStartCandidates(starters: readonly Starter[]): number[] {
  return starters.flatMap((starter, i) =>
    starters.some((other, j) => j !== i && outdoes(other, starter)) ? [] : [i],
  );
}
