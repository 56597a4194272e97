import { type SupplySystem, systemFacts, type TripLevel } from '../../electric/index.js';
import { batteryCurve, legCurve, type PowerCurve, type Stack, wholeCurve } from '../../equipment/index.js';
import { isLeg, type PowerPart } from './power-part.js';

/** A part of the output that has a limit of its own, and its levels: VA, of the battery W. */
export interface OverloadAxis {
  readonly part: PowerPart;
  readonly levels: readonly TripLevel[];
}

/** The levels of an overload curve: each power holds for the time of the next shorter point. */
export function tripLevels({ ratedVA, overload }: PowerCurve): TripLevel[] {
  const powers = [ratedVA, ...overload.map(({ apparentPowerVA }) => apparentPowerVA)];
  return powers.map((aboveVA, index) => ({ aboveVA, heldS: overload[index]?.durationS ?? 0 }));
}

/** The curves of a stack as every check wants them: whole first, then one for each leg, then the battery where it sets a limit. */
export function powerCurves(
  stack: Stack,
  system: SupplySystem,
): { readonly part: PowerPart; readonly curve: PowerCurve }[] {
  const battery = batteryCurve(stack);
  const ofLeg = legCurve(stack);
  return [
    { part: 'whole', curve: wholeCurve(stack) },
    ...systemFacts[system].legs.map((leg) => ({ part: leg, curve: ofLeg })),
    ...(battery ? [{ part: 'battery' as const, curve: battery }] : []),
  ];
}

/** The same as levels: every part there is. */
export const overloadAxes = (stack: Stack, system: SupplySystem): OverloadAxis[] =>
  powerCurves(stack, system).map(({ part, curve }) => ({ part, levels: tripLevels(curve) }));

/** Those that decide something of their own: with one leg the whole says it all. */
export const decidingAxes = (stack: Stack, system: SupplySystem): OverloadAxis[] =>
  overloadAxes(stack, system).filter(({ part }) => systemFacts[system].legs.length > 1 || !isLeg(part));
