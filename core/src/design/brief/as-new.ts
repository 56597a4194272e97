import type { Equipment } from '../equipment/equipment.schema.js';
import { aged } from './aged.js';
import type { Brief } from './brief.schema.js';

/** A plan of the day its units are put into service: nothing has aged yet, and nothing was measured. */
export const asNew = <P extends { readonly brief: Brief; readonly equipment: Equipment }>(plan: P): P => ({
  ...aged(plan, 0),
  equipment: {
    ...plan.equipment,
    stacks: plan.equipment.stacks.map((stack) => ({ ...stack, measured: null })),
  },
});
