import type { Brief } from './brief.schema.js';

/** A plan with its batteries so many years old. */
export const aged = <P extends { readonly brief: Brief }>(plan: P, years: number): P => ({
  ...plan,
  brief: { ...plan.brief, sizeForYear: years },
});
