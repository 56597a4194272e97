import { batteryDrainWh, type OverloadPoint, type Stack } from '../../../equipment/index.js';
import { type SupplySystem, systemFacts } from '../../../electric/index.js';
import { powerCurves } from '../../output/overload-axes.js';
import { isLeg, type PowerPart } from '../../output/power-part.js';
import type { DemandContext } from '../../margins/demand-context.js';
import type { StackEnergy } from '../../margins/stack-energy.js';

/** One of the sums that are looked at: everything together, one leg, or everything in watts. */
export interface PowerAxis {
  readonly part: PowerPart;
  /** What may run on it, VA, of the battery W. */
  readonly limitVA: number;
  /** Its rating and overload curve, against which starts are judged. */
  readonly ratedVA: number;
  readonly overload: readonly OverloadPoint[];
}

/** What a stack allows, in the terms in which sets of loads are asked about. */
export interface LimitedStack {
  readonly axes: readonly PowerAxis[];
  readonly system: SupplySystem;
  readonly neutralLimitVA: number;
  readonly lockedRotorA: number | null;
  /** 0 = the runtime does not decide. */
  readonly requiredH: number;
  readonly usableWh: number;
  readonly drainWh: (hourlyWh: Float64Array) => Float64Array;
}

/** The limits of a stack that decide about a set, as the margins draw them. */
export function limitedStack(context: DemandContext, stack: Stack, energy: StackEnergy): LimitedStack {
  const { plan, settings } = context;
  const { legs, legVoltageV } = systemFacts[plan.supply.system];
  const { peukert } = stack.batteries[0]!.unit.battery!;
  return {
    axes: powerCurves(stack, plan.supply.system).map(({ part, curve }) => ({
      part,
      // With one leg the whole decides.
      limitVA: isLeg(part) && legs.length === 1 ? Math.max(stack.continuousVA, curve.ratedVA) : curve.ratedVA,
      ...curve,
    })),
    system: plan.supply.system,
    neutralLimitVA: stack.neutralA === null || legs.length === 1 ? Infinity : stack.neutralA * legVoltageV,
    lockedRotorA: stack.lockedRotorA,
    requiredH: plan.brief.goals.outage === 'decides' ? settings.requiredRuntimeH.value : 0,
    usableWh: energy.usableWh,
    drainWh: (hourlyWh) => batteryDrainWh(hourlyWh, { ...stack, peukert }, energy.agedWh),
  };
}
