import { emptyPlan } from '../design/index.js';
import type { SupplySystem } from '../electric/index.js';
import { jobFormat, jobVersion, type Job } from './job.schema.js';
import { jobOf } from './plan-of.js';

/** A job about which nothing is known but its name and its supply. */
export const newJob = (name: string, system?: SupplySystem): Job =>
  jobOf({ format: jobFormat, version: jobVersion, name }, emptyPlan(system));
