import { seasons } from '../../nature/index.js';
import {
  coincidentDemandVA,
  pickupPeakVA,
  pickupVA,
  type Restart,
  staggered,
  tripRun,
  type TripRun,
} from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import { dayParts, type Load, onShare } from '../../house/index.js';
import { decidingAxes } from '../output/overload-axes.js';
import { type PowerPart, runsOn } from '../output/power-part.js';
import type { DemandContext } from '../margins/demand-context.js';
import { restartsOf } from '../starts/restarts-of.js';
import { startDemand } from '../starts/start-demand.js';

/** How long a cold pickup is followed, s. */
export const pickupLengthS = 30;

/** Pause between starts that are staggered, s (common practice, no source). */
const staggerGapS = 2;

export interface PickupReport {
  /** The part of the output that comes nearest to its limit; of the battery, all that follows is in W. */
  readonly part: PowerPart;
  readonly restarts: readonly Restart[];
  /** What comes back at once and has no surge, VA. */
  readonly besideVA: number;
  readonly peakVA: number;
  readonly limitVA: number;
  readonly run: TripRun;
  /** The same motors one after the other, in the best order. */
  readonly staggered: readonly Restart[];
  readonly staggeredPeakVA: number;
  readonly staggeredRun: TripRun;
}

/** What comes back without a surge: the demand of the other loads on the basis of the brief, in the worst part of any day. */
function besideRestartsVA(
  { plan, settings }: DemandContext,
  loads: readonly Load[],
  part: PowerPart,
): number {
  const { system } = plan.supply;
  const quiet = loads.filter((load) => startDemand(system, load) === null);
  const powersVA = quiet.map((load) => load.quantity * runsOn(system, load, part));
  let highestVA = 0;
  for (const season of seasons) {
    for (const part of dayParts) {
      const shares = quiet.map((load) => onShare(load, season, part));
      highestVA = Math.max(highestVA, coincidentDemandVA(powersVA, shares, settings.coincidence.value));
    }
  }
  return highestVA;
}

/**
 * The first half minute after a transfer gap: which motors restart, after what delay, whether the inverter holds, and whether
 * it would if they started one after the other. Of the whole, the legs and the battery, the one that comes nearest to its limit.
 */
export function pickupReport(context: DemandContext, stack: Stack): PickupReport {
  const { plan, settings, powerSet } = context;
  const { system } = plan.supply;
  const season = settings.designSeason.value;
  const reports = decidingAxes(stack, system).map(({ part, levels }): PickupReport => {
    const restarts = restartsOf(system, powerSet, season, part);
    const besideVA = besideRestartsVA(context, powerSet, part);
    const inTurn = staggered(restarts, staggerGapS);
    const follow = (some: readonly Restart[]): TripRun =>
      tripRun((timeS) => pickupVA(some, besideVA, timeS), levels, [], stack.retry, pickupLengthS);
    return {
      part,
      restarts,
      besideVA,
      peakVA: pickupPeakVA(restarts, besideVA),
      limitVA: levels.at(-1)!.aboveVA,
      run: follow(restarts),
      staggered: inTurn,
      staggeredPeakVA: pickupPeakVA(inTurn, besideVA),
      staggeredRun: follow(inTurn),
    };
  });
  return reports.reduce((worst, next) => {
    const ahead = Number(next.run.tripped) - Number(worst.run.tripped);
    return ahead > 0 || (ahead === 0 && next.peakVA / next.limitVA > worst.peakVA / worst.limitVA)
      ? next
      : worst;
  });
}
