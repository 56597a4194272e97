import { overloadAxes } from '../output/overload-axes.js';
import { isLeg, runsOn } from '../output/power-part.js';
import { tripRun, type TripRun } from '../../electric/index.js';
import type { Stack } from '../../equipment/index.js';
import type { DemandContext } from '../margins/demand-context.js';

/** What becomes of an overload: held, shed in time, or tripped. Of inverters in VA, of batteries in W. */
export interface ShedTiming {
  readonly part: 'whole' | 'battery';
  /** Demand when everything that may be on is on, circuits shed by power included. */
  readonly demandVA: number;
  /** How long that is held, s; Infinity where it is within the continuous rating. */
  readonly heldS: number;
  readonly run: TripRun;
  /** What would have to be switched off by hand, within `heldS`; 0 where nothing has to. */
  readonly byHandVA: number;
}

/**
 * Plays the worst overload of running loads through: the running demand of the set, and on top of it all circuits that a
 * device sheds when there is no room for them. Of inverters and batteries, the one that holds it for the shorter time.
 */
export function shedTiming(context: DemandContext, stack: Stack): ShedTiming {
  const { system } = context.plan.supply;
  const managed = context.members.filter(({ shed }) => shed?.when === 'power');
  const timings = overloadAxes(stack, system).flatMap(({ part, levels }): ShedTiming[] => {
    if (isLeg(part)) return [];
    const sheds = managed.map(({ load, shed }) => ({
      name: load.name,
      powerVA: load.quantity * runsOn(system, load, part),
      responseS: shed!.responseS,
      order: shed!.order,
    }));
    const shedVA = sheds.reduce((sum, { powerVA }) => sum + powerVA, 0);
    const { coincident, battery } = context.power;
    const demandVA = (part === 'whole' ? coincident.powerVA : battery.powerW) + shedVA;
    const limitVA = levels[0]!.aboveVA;
    // A power up to the next level is held for the time of the one below it.
    const heldS =
      demandVA <= limitVA
        ? Infinity
        : Math.max(
            0,
            ...levels.flatMap(({ heldS: held }, i) =>
              demandVA <= (levels[i + 1]?.aboveVA ?? 0) ? [held] : [],
            ),
          );
    const run = tripRun(() => demandVA, levels, sheds, stack.retry, 30);
    const after = demandVA - (run.tripped ? 0 : shedVA);
    return [{ part, demandVA, heldS, run, byHandVA: Math.max(0, Math.min(after, demandVA) - limitVA) }];
  });
  return timings.reduce((worst, next) => {
    const ahead = Number(next.run.tripped) - Number(worst.run.tripped);
    return ahead > 0 || (ahead === 0 && next.heldS < worst.heldS) ? next : worst;
  });
}
