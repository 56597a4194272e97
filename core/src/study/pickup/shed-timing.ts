import { tripLevels } from '../demand/overload-axes.js';
import { tripRun, type TripRun } from '../../electric/index.js';
import { runningLimitVA, type Stack, wholeCurve } from '../../equipment/index.js';
import { runningPowerVA } from '../../house/index.js';
import type { DemandContext } from '../margins/demand-context.js';

/** What becomes of an overload: held, shed in time, or tripped. */
export interface ShedTiming {
  /** Demand when everything that may be on is on, circuits shed by power included, VA. */
  readonly demandVA: number;
  /** How long that is held, s; Infinity where it is within the continuous rating. */
  readonly heldS: number;
  readonly run: TripRun;
  /** What would have to be switched off by hand, within `heldS`, VA; 0 where nothing has to. */
  readonly byHandVA: number;
}

/**
 * Plays the worst overload of running loads through: the running demand of the set, and on top of it all circuits that a
 * device sheds when there is no room for them.
 */
export function shedTiming(context: DemandContext, stack: Stack): ShedTiming {
  const limitVA = runningLimitVA(stack);
  const managed = context.members.filter(({ shed }) => shed?.when === 'power');
  const sheds = managed.map(({ load, shed }) => ({
    name: load.name,
    powerVA: load.quantity * runningPowerVA(load),
    responseS: shed!.responseS,
    order: shed!.order,
  }));
  const demandVA = context.power.coincident.powerVA + sheds.reduce((sum, { powerVA }) => sum + powerVA, 0);
  const curve = wholeCurve(stack);
  const levels = tripLevels(curve);
  const heldS =
    demandVA <= limitVA
      ? Infinity
      : Math.max(
          0,
          ...curve.overload
            .filter(({ apparentPowerVA }) => apparentPowerVA >= demandVA)
            .map(({ durationS }) => durationS),
        );
  const run = tripRun(() => demandVA, levels, sheds, stack.retry, 30);
  const after = demandVA - (run.tripped ? 0 : sheds.reduce((sum, { powerVA }) => sum + powerVA, 0));
  return { demandVA, heldS, run, byHandVA: Math.max(0, Math.min(after, demandVA) - limitVA) };
}
