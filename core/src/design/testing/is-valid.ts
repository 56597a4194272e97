import * as z from 'zod';
import { planProblems } from '../plan/plan-problems.js';
import { designSlices, houseSlices } from '../plan/plan.schema.js';
import type { Plan } from '../plan/plan.js';

const planSchema = z.strictObject({ ...houseSlices, ...designSlices });

/** Whether a plan may be saved as it is. */
export const isValid = (plan: Plan): boolean =>
  planSchema.safeParse(plan).success && planProblems(plan).length === 0;
