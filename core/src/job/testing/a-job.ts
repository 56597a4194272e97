import type { Load } from '../../house/index.js';
import type { Job } from '../job.schema.js';
import { newJob } from '../new-job.js';

/** A job for a test. */
export const aJob = (loads: readonly Load[], changes: Partial<Job> = {}): Job => ({
  ...newJob('Test house'),
  loads: [...loads],
  ...changes,
});
