import type { OverloadPoint } from '../catalogue/unit.schema.js';
import { overloadOfShare } from '../inverter/overload-of-share.js';
import { runningLimitVA, type Stack } from './stack.js';

/** What may be drawn for any time, and for short times: stated points, longest first. */
export interface PowerCurve {
  readonly ratedVA: number;
  readonly overload: readonly OverloadPoint[];
}

type Limits = Pick<Stack, 'continuousVA' | 'perLegVA' | 'overload' | 'batteryPowerW' | 'batteryPeakW'>;

const heldTo = (mostVA: number, overload: readonly OverloadPoint[]): OverloadPoint[] =>
  overload.map((point) => ({ ...point, apparentPowerVA: Math.min(mostVA, point.apparentPowerVA) }));

/**
 * What a stack carries on the whole: the smaller of inverter and battery, for any time and for short times. Watts of the battery
 * are held against volt-amperes, which are never less.
 */
export const wholeCurve = (stack: Limits): PowerCurve => ({
  ratedVA: runningLimitVA(stack),
  overload: heldTo(stack.batteryPeakW, stack.overload),
});

/** What a stack carries on one leg: the leg's part of the inverter, or all that the battery gives. */
export const legCurve = (stack: Limits): PowerCurve => ({
  ratedVA: Math.min(stack.perLegVA, runningLimitVA(stack)),
  overload: heldTo(stack.batteryPeakW, overloadOfShare(stack.overload, stack.perLegVA / stack.continuousVA)),
});
