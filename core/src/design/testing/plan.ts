import type { Load } from '../../house/index.js';
import { emptyPlan } from '../plan/empty-plan.js';
import type { Plan } from '../plan/plan.js';

/** A plan for a test. */
export function aPlan(loads: readonly Load[], changes: Partial<Plan> = {}): Plan {
  return { ...emptyPlan(), loads: [...loads], ...changes };
}
