import { startShape } from '../../electric/index.js';
import type { OverloadPoint } from '../catalogue/unit.schema.js';
import { decisiveMoments } from './start-ratio.js';

/**
 * What may run beside a start on an inverter: the other way round of {@link startRatio}, whose ratio is 1 with exactly this
 * beside it.
 *
 * @param runsVA what the piece that starts draws once it runs, VA
 * @param surgeVA its highest demand while it starts, VA
 * @param durationS how long it starts, s
 * @param ratedVA continuous rating, VA
 * @param overload stated points, longest first
 * @param slack factor on what is allowed
 * @returns VA; negative where it cannot start even alone
 */
export function startRoomVA(
  runsVA: number,
  surgeVA: number,
  durationS: number,
  ratedVA: number,
  overload: readonly OverloadPoint[],
  slack = 1,
): number {
  const ownVA = (timeS: number): number => runsVA + (surgeVA - runsVA) * startShape(timeS, durationS);
  return Math.min(
    ...decisiveMoments(durationS, ratedVA, overload).map(
      ({ timeS, allowedVA }) => allowedVA * slack - ownVA(timeS),
    ),
  );
}
