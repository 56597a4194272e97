import type { TripLevel } from '../../electric/index.js';
import { overloadOfShare, type OverloadPoint, runningLimitVA, type Stack } from '../../equipment/index.js';

/** A part of the output that has a limit of its own: the whole, or a leg (1 = L1). */
export interface OverloadAxis {
  readonly leg: number;
  readonly levels: readonly TripLevel[];
}

/** The levels of an overload curve: each power holds for the time of the next shorter point. */
export function tripLevels(continuousVA: number, overload: readonly OverloadPoint[]): TripLevel[] {
  const powers = [continuousVA, ...overload.map(({ apparentPowerVA }) => apparentPowerVA)];
  return powers.map((aboveVA, index) => ({ aboveVA, heldS: overload[index]?.durationS ?? 0 }));
}

/** The limits of a stack as every overload check wants them: whole first, then one for each leg. */
export function overloadAxes(stack: Stack, legCount: number): OverloadAxis[] {
  const wholeVA = runningLimitVA(stack);
  const legVA = Math.min(stack.perLegVA, wholeVA);
  const ofLeg = overloadOfShare(stack.overload, stack.perLegVA / stack.continuousVA);
  return [
    { leg: 0, levels: tripLevels(wholeVA, stack.overload) },
    ...Array.from({ length: legCount }, (_, index) => ({ leg: index + 1, levels: tripLevels(legVA, ofLeg) })),
  ];
}
