import type { OverloadPoint } from '../catalogue/unit.schema.js';
import { startShape } from '../../electric/index.js';

/**
 * The ratio of {@link startRatio} alone, for judging hundreds of stacks at every edit: no objects are made.
 *
 * @param besideVA what runs beside it, VA
 * @param runsVA what the piece that starts draws once it runs, VA
 * @param surgeVA its highest demand while it starts, VA
 */
export function startShare(
  besideVA: number,
  runsVA: number,
  surgeVA: number,
  durationS: number,
  continuousVA: number,
  overload: readonly OverloadPoint[],
): number {
  const highestVA = overload.length > 0 ? overload[overload.length - 1]!.apparentPowerVA : continuousVA;
  let worst = (besideVA + surgeVA) / highestVA;
  for (let k = 0; k < overload.length; k += 1) {
    const heldS = overload[k]!.durationS;
    if (heldS >= durationS) continue;
    const allowedVA = k === 0 ? continuousVA : overload[k - 1]!.apparentPowerVA;
    const demandVA = besideVA + runsVA + (surgeVA - runsVA) * startShape(heldS, durationS);
    worst = Math.max(worst, demandVA / allowedVA);
  }
  return worst;
}
