import { seasons } from '../../nature/index.js';
import {
  coincidentDemandVA,
  type Leg,
  legShare,
  pickupPeakVA,
  pickupVA,
  type Restart,
  staggered,
  systemFacts,
  tripRun,
  type TripRun,
} from '../../electric/index.js';
import { legCurve, type Stack, wholeCurve } from '../../equipment/index.js';
import { dayParts, type Load, onShare, runningPowerVA } from '../../house/index.js';
import { tripLevels } from '../demand/overload-axes.js';
import type { DemandContext } from '../margins/demand-context.js';
import { restartsOf } from '../starts/restarts-of.js';
import { startDemand } from '../starts/start-demand.js';

/** How long a cold pickup is followed, s. */
export const pickupLengthS = 30;

/** Pause between starts that are staggered, s (common practice, no source). */
const staggerGapS = 2;

export interface PickupReport {
  /** null = the whole; else the leg that comes nearest to its limit. */
  readonly leg: Leg | null;
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
  leg: Leg | null,
): number {
  const { system } = plan.supply;
  const quiet = loads.filter((load) => startDemand(system, load) === null);
  const powersVA = quiet.map(
    (load) => load.quantity * runningPowerVA(load) * (leg === null ? 1 : legShare(system, load.legs, leg)),
  );
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
 * it would if they started one after the other. Of the whole and the legs, the one that comes nearest to its limit.
 */
export function pickupReport(context: DemandContext, stack: Stack): PickupReport {
  const { plan, settings, powerSet } = context;
  const { system } = plan.supply;
  const { legs } = systemFacts[system];
  const season = settings.designSeason.value;
  const axes: (Leg | null)[] = legs.length === 1 ? [null] : [null, ...legs];
  const reports = axes.map((leg): PickupReport => {
    const levels = tripLevels(leg === null ? wholeCurve(stack) : legCurve(stack));
    const restarts = restartsOf(system, powerSet, season, leg);
    const besideVA = besideRestartsVA(context, powerSet, leg);
    const inTurn = staggered(restarts, staggerGapS);
    const follow = (some: readonly Restart[]): TripRun =>
      tripRun((timeS) => pickupVA(some, besideVA, timeS), levels, [], stack.retry, pickupLengthS);
    return {
      leg,
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
