import { lagOf, type SupplySystem, systemFacts } from '../../../electric/index.js';
import { startRoomVA } from '../../../equipment/index.js';
import { hourlyEnergyWh, type Load } from '../../../house/index.js';
import type { Season } from '../../../nature/index.js';
import { isLeg, runsOn, startsOn } from '../../output/power-part.js';
import { startDemand } from '../../starts/start-demand.js';
import type { LimitedStack } from './limited-stack.js';

/** A ratio up to this counts as holding, as in the margins. */
export const slack = 1 + 1e-9;

/** One load as the limits see it. */
export interface SetPart {
  /** All pieces running, on each axis: VA, of the battery W. */
  readonly powersVA: readonly number[];
  /** Share of the time it is on, by case. */
  readonly shares: readonly number[];
  readonly hourlyWh: Float64Array;
  /** Between one leg and neutral: the index of that leg; −1 otherwise. */
  readonly neutralLeg: number;
  /** How far its current lags behind the voltage, radians. */
  readonly lag: number;
  /** The demand of all others that may stand beside its start on each axis, VA; null for a load without a surge. */
  readonly besideVA: readonly number[] | null;
  /** Its locked-rotor current is beyond the stack. */
  readonly tooHard: boolean;
}

/**
 * @param shares share of the time it is on, by deciding case
 * @param season whose energy counts
 */
export function setPart(
  load: Load,
  shares: readonly number[],
  system: SupplySystem,
  season: Season,
  { axes, lockedRotorA }: LimitedStack,
): SetPart {
  const pieceRuns = axes.map(({ part }) => runsOn(system, load, part));
  const start = startDemand(system, load);
  const surges =
    start !== null &&
    shares.some((share) => share > 0) &&
    axes.some(({ part }) => isLeg(part) && startsOn(system, load, start.startVA, part) > 0);
  const besideVA = (axis: number): number => {
    const surgeVA = startsOn(system, load, start!.startVA, axes[axis]!.part);
    if (surgeVA <= 0) return Infinity;
    const runsVA = pieceRuns[axis]!;
    const { ratedVA, overload } = axes[axis]!;
    // Its other pieces run while one starts.
    return (
      startRoomVA(runsVA, surgeVA, start!.durationS, ratedVA, overload, slack) - runsVA * (load.quantity - 1)
    );
  };
  return {
    powersVA: pieceRuns.map((piece) => load.quantity * piece),
    shares,
    hourlyWh: hourlyEnergyWh(load, season),
    neutralLeg: systemFacts[system].legs.findIndex((leg) => leg === load.legs),
    lag: lagOf(load.powerFactor),
    besideVA: surges ? axes.map((_, axis) => besideVA(axis)) : null,
    tooHard: surges && start.acrossTheLine && lockedRotorA !== null && start.startA > lockedRotorA * slack,
  };
}
