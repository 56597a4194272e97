import type { OverloadPoint } from '../catalogue/unit.schema.js';

/** The overload curve of a part of an inverter: the same times, that share of the power. */
export const overloadOfShare = (overload: readonly OverloadPoint[], share: number): OverloadPoint[] =>
  overload.map((point) => ({ ...point, apparentPowerVA: point.apparentPowerVA * share }));
