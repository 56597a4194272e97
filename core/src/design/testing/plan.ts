import type { Load } from '../../house/index.js';
import type { StackPart } from '../../equipment/index.js';
import { chooseFor, islandsOf } from '../backup/islands.js';
import { keepOnly } from '../backup/kept-loads.js';
import { emptyPlan } from '../plan/empty-plan.js';
import type { Plan } from '../plan/plan.js';

/** A plan for a test; its loads are kept but for those that are named, and nothing of it is settled. */
export function aPlan(
  loads: readonly Load[],
  changes: Partial<Plan> = {},
  notKept: readonly string[] = [],
): Plan {
  const kept = loads.map(({ id }) => id).filter((id) => !notKept.includes(id));
  return { ...keepOnly({ ...emptyPlan(), loads: [...loads] }, kept), ...changes };
}

/** The plan with a stack for its first island. */
export const withStack = (plan: Plan, ...units: readonly (readonly [string, number])[]): Plan =>
  chooseFor(
    plan,
    // Where nothing is backed up, that of the first service.
    islandsOf(plan)[0] ?? { id: plan.survey.services[0]!.id },
    units.map(([unitId, quantity]): StackPart => ({ unitId, quantity })),
  );
