import {
  batteryDrainWh,
  legCurve,
  type OverloadPoint,
  runningLimitVA,
  type Stack,
  wholeCurve,
} from '../../../equipment/index.js';
import { type Leg, type SupplySystem, systemFacts } from '../../../electric/index.js';
import type { DemandContext } from '../../margins/demand-context.js';
import type { StackEnergy } from '../../margins/stack-energy.js';

/** One of the sums that are looked at: everything together, or one leg. */
export interface PowerAxis {
  /** null = everything together. */
  readonly leg: Leg | null;
  /** What may run on it, VA. */
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
  const wholeVA = runningLimitVA(stack);
  const [whole, ofLeg] = [wholeCurve(stack), legCurve(stack)];
  const { peukert } = stack.batteries[0]!.unit.battery!;
  return {
    axes: [
      { leg: null, limitVA: wholeVA, ...whole },
      ...legs.map((leg) => ({
        leg,
        // With one leg the whole decides.
        limitVA: legs.length === 1 ? Math.max(wholeVA, stack.perLegVA) : stack.perLegVA,
        ...ofLeg,
      })),
    ],
    system: plan.supply.system,
    neutralLimitVA: stack.neutralA === null || legs.length === 1 ? Infinity : stack.neutralA * legVoltageV,
    lockedRotorA: stack.lockedRotorA,
    requiredH: plan.brief.goals.outage === 'decides' ? settings.requiredRuntimeH.value : 0,
    usableWh: energy.usableWh,
    drainWh: (hourlyWh) => batteryDrainWh(hourlyWh, { ...stack, peukert }, energy.agedWh),
  };
}
