import { backupProblems } from '../backup/backup-problems.js';
import { surveyProblems } from '../panel/survey-problems.js';
import { systemFacts } from '../supply/legs.js';
import type { Job } from './job.schema.js';

interface CrossProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** What the shapes alone cannot say of a job: identifiers used once, circuits and services that exist, legs the supply has. */
export function crossProblems(
  job: Omit<Job, 'format' | 'version' | 'name' | 'site' | 'brief'>,
): CrossProblem[] {
  const problems: CrossProblem[] = surveyProblems(job.survey).map(({ path, message }) => ({
    path: ['survey', ...path],
    message,
  }));
  job.usage.bills.forEach((bill, index) => {
    if (bill.toDay <= bill.fromDay) {
      problems.push({
        path: ['usage', 'bills', index, 'toDay'],
        message: 'The period ends before it begins; correct one of the days',
      });
    }
  });
  for (const { path, message } of backupProblems(job)) problems.push({ path: ['backup', ...path], message });
  const circuits = new Set(job.survey.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const known = new Set<string>();
  const allowed = systemFacts[job.supply.system].legSets;
  job.loads.forEach((load, index) => {
    if (known.has(load.id)) {
      problems.push({
        path: ['loads', index, 'id'],
        message: `Two loads share the identifier "${load.id}"; give each its own`,
      });
    }
    known.add(load.id);
    if (load.circuitId !== null && !circuits.has(load.circuitId)) {
      problems.push({
        path: ['loads', index, 'circuitId'],
        message: 'No panel has this circuit; use null for a load that is not placed',
      });
    }
    if (!allowed.includes(load.legs)) {
      problems.push({
        path: ['loads', index, 'legs'],
        message: `This supply has no ${load.legs}; use ${allowed.join(', ')}`,
      });
    }
  });
  job.outage.arrays.forEach(({ legs }, index) => {
    if (!allowed.includes(legs)) {
      problems.push({
        path: ['outage', 'arrays', index, 'legs'],
        message: `This supply has no ${legs}; use ${allowed.join(', ')}`,
      });
    }
  });
  return problems;
}
