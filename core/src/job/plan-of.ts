import type { Plan } from '../design/index.js';
import type { Job } from './job.schema.js';

/** The house of a job with the design over it: what studies and checks take. */
export function planOf({ format: _format, version: _version, name: _name, ...plan }: Job): Plan {
  return plan;
}

/** The job with what was worked out on its plan. */
export const withPlan = (job: Job, plan: Plan): Job => ({ ...job, ...plan });
