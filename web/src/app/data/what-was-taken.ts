import { applyDifference, diffJobs, type Job, valueAt } from '@levamen/core/job';

/** Their job without what was decided against: undo must not bring that in. */
export const whatWasTaken = (base: Job, theirs: Job, decided: Job): Job =>
  diffJobs(theirs, decided).reduce(
    (job, { path }) => applyDifference(job, { path, theirs: valueAt(base, path) }),
    theirs,
  );
