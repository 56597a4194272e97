import type { OverloadPoint } from '../catalogue/unit.schema.js';
import { overloadOfShare } from '../inverter/overload-of-share.js';
import type { Stack } from './stack.js';

/** What may be drawn for any time, and for short times: stated points, longest first. The battery's is a curve of watts. */
export interface PowerCurve {
  readonly ratedVA: number;
  readonly overload: readonly OverloadPoint[];
}

type Limits = Pick<Stack, 'continuousVA' | 'perLegVA' | 'overload' | 'batteryPowerW' | 'batteryPeakW'>;

/** What the inverters of a stack carry on the whole, VA. */
export const wholeCurve = ({ continuousVA, overload }: Limits): PowerCurve => ({
  ratedVA: continuousVA,
  overload,
});

/** What they carry on one leg, VA. */
export const legCurve = ({ perLegVA, continuousVA, overload }: Limits): PowerCurve => ({
  ratedVA: perLegVA,
  overload: overloadOfShare(overload, perLegVA / continuousVA),
});

/**
 * What the batteries of a stack feed, counted at the AC side in W: volt-amperes that are not watts come from the inverters alone.
 * Their peak lasts as long as the longest overload of the inverters.
 *
 * @returns null where the inverters set the limit, for any time and for short times: watts are never more than volt-amperes
 */
export function batteryCurve({
  continuousVA,
  overload,
  batteryPowerW,
  batteryPeakW,
}: Limits): PowerCurve | null {
  const highestVA = overload.at(-1)?.apparentPowerVA ?? continuousVA;
  if (batteryPowerW >= continuousVA && batteryPeakW >= highestVA) return null;
  return {
    ratedVA: batteryPowerW,
    overload: overload.slice(0, 1).map((point) => ({ ...point, apparentPowerVA: batteryPeakW })),
  };
}
