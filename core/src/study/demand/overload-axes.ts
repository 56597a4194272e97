import type { TripLevel } from '../../electric/index.js';
import { legCurve, type PowerCurve, type Stack, wholeCurve } from '../../equipment/index.js';

/** A part of the output that has a limit of its own: the whole, or a leg (1 = L1). */
export interface OverloadAxis {
  readonly leg: number;
  readonly levels: readonly TripLevel[];
}

/** The levels of an overload curve: each power holds for the time of the next shorter point. */
export function tripLevels({ ratedVA, overload }: PowerCurve): TripLevel[] {
  const powers = [ratedVA, ...overload.map(({ apparentPowerVA }) => apparentPowerVA)];
  return powers.map((aboveVA, index) => ({ aboveVA, heldS: overload[index]?.durationS ?? 0 }));
}

/** The limits of a stack as every overload check wants them: whole first, then one for each leg. */
export function overloadAxes(stack: Stack, legCount: number): OverloadAxis[] {
  const ofLeg = tripLevels(legCurve(stack));
  return [
    { leg: 0, levels: tripLevels(wholeCurve(stack)) },
    ...Array.from({ length: legCount }, (_, index) => ({ leg: index + 1, levels: ofLeg })),
  ];
}
