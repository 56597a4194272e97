import type { StartDemand } from './start-demand.js';

/** A load that starts with a surge, as seen by the search for the worst start. */
export interface Starter extends StartDemand {
  /** All pieces running, on each axis looked at (the whole, then each leg), VA. */
  readonly runningVA: readonly number[];
  /** One piece starting, on the same axes, VA. */
  readonly surgeVA: readonly number[];
  /** In which of the cases looked at it may start at all. */
  readonly active: readonly boolean[];
}

/** Quantiles are rounded to bins; a starter is left out only when it is behind by more than that. */
const slackVA = 120;

const outdoes = (strong: Starter, weak: Starter): boolean =>
  strong.durationS >= weak.durationS &&
  (strong.acrossTheLine || !weak.acrossTheLine) &&
  strong.startA >= weak.startA &&
  weak.surgeVA.every(
    (va, axis) => va === 0 || strong.surgeVA[axis]! - strong.runningVA[axis]! >= va + slackVA,
  ) &&
  weak.active.every((active, index) => !active || strong.active[index]!);

/**
 * The starters that can be the worst start of a set, whatever the inverter.
 *
 * With everything else running at demand Q, the start of i asks for at most S_i + Q. The start of j asks for at least
 * S_j + Q − R_j, since leaving j out lowers the demand by no more than its running power R_j. So j outdoes i on an axis when
 * S_j − R_j ≥ S_i, and for every inverter when it also lasts at least as long (an overload curve never rises with time).
 *
 * @returns indices into `starters`
 */
export function worstStartCandidates(starters: readonly Starter[]): number[] {
  return starters.flatMap((starter, i) =>
    starters.some((other, j) => j !== i && outdoes(other, starter)) ? [] : [i],
  );
}
