import type { Finding } from '../../finding/finding.js';
import type { Job } from '../../job/job.schema.js';
import type { Evaluation } from '../../sizing/evaluate-job.js';
import { schoolRequirements } from './school-requirements.js';

/** What the way each service is backed up requires, and whether it is met, by id of the service. */
export function jobRequirements(
  job: Job,
  { islands, context, island, selected }: Evaluation,
): Map<string, readonly Finding[]> {
  return new Map(
    job.survey.services.map((service) => [
      service.id,
      schoolRequirements(job, service, islands, context, island, selected?.stack ?? null),
    ]),
  );
}
