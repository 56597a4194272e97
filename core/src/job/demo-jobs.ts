import { demoPlans } from '../design/index.js';
import { jobFormat, jobVersion, type Job } from './job.schema.js';
import { jobOf } from './plan-of.js';

/** The demo plans as jobs. */
export const demoJobs: readonly { readonly id: string; readonly job: Job }[] = demoPlans.map(
  ({ id, name, plan }) => ({ id, job: jobOf({ format: jobFormat, version: jobVersion, name }, plan) }),
);
