import type { OverloadPoint } from '../catalogue/unit.schema.js';

/**
 * Apparent power an inverter carries for a duration.
 *
 * Between two stated points nothing is promised, so the power of the next longer point counts. Longer than every point:
 * the continuous rating.
 *
 * @param continuousVA continuous rating, VA
 * @param overload stated points
 * @param durationS how long the power is needed, s
 * @returns VA
 */
export function overloadLimitVA(
  continuousVA: number,
  overload: readonly OverloadPoint[],
  durationS: number,
): number {
  return overload.reduce(
    (best, point) => (point.durationS >= durationS ? Math.max(best, point.apparentPowerVA) : best),
    continuousVA,
  );
}
