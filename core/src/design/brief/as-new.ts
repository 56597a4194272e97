import type { Brief } from './brief.schema.js';

/** A plan of the day its units are put into service: nothing has aged yet. */
export const asNew = <P extends { readonly brief: Brief }>(plan: P): P => ({
  ...plan,
  brief: { ...plan.brief, sizeForYear: 0 },
});
