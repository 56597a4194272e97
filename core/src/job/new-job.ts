import type { SupplySystem } from '../electric/index.js';
import { emptyPlan } from '../design/index.js';
import { jobFormat, jobVersion, type Job } from './job.schema.js';

/** A job about which nothing is known but its name and its supply. */
export function newJob(name: string, system?: SupplySystem): Job {
  return { format: jobFormat, version: jobVersion, name, ...emptyPlan(system) };
}
