import type { Finding } from '../../base/index.js';
import type { Plan } from '../../design/index.js';
import type { Evaluation } from '../../study/index.js';
import { schoolRequirements } from './school-requirements.js';

/** What the way each service is backed up requires, and whether it is met, by id of the service. */
export function planRequirements(
  plan: Plan,
  { islands, context, island, selected }: Evaluation,
): Map<string, readonly Finding[]> {
  return new Map(
    plan.survey.services.map((service) => [
      service.id,
      schoolRequirements(plan, service, islands, context, island, selected?.stack ?? null),
    ]),
  );
}
