import { keepOnly, type Plan } from '../../design/index.js';
import type { Load } from '../../house/index.js';
import type { Job } from '../job.schema.js';
import { newJob } from '../new-job.js';
import { changePlan } from '../plan-of.js';

/** A job for a test; all its loads are kept. */
export const aJob = (loads: readonly Load[], changes: Partial<Plan> = {}): Job =>
  changePlan(newJob('Test house'), (plan) =>
    keepOnly(
      { ...plan, loads: [...loads], ...changes },
      loads.map(({ id }) => id),
    ),
  );
