import type { Finding } from '../../base/index.js';
import { findingOf, judge, packFor, type Subject } from '../../rules/packs.js';
import type { Plan } from '../../design/index.js';
import type { Evaluation } from '../../study/index.js';
import { backupCase } from './backup-case.js';
import { backupSubject } from './backup-subject.js';

/** How each service is backed up, as rules see it. */
export function backupSubjects(plan: Plan, { islands, context, island, selected }: Evaluation): Subject[] {
  const shown = { islands, context, island, stack: selected?.stack ?? null };
  return plan.survey.services.map((service) => backupSubject(backupCase(plan, service, shown)));
}

/** What the way each service is backed up requires, and whether it is met ("fine" where it is), by id of the service. */
export function planRequirements(plan: Plan, evaluation: Evaluation): Map<string, readonly Finding[]> {
  const judged = judge(packFor(plan), backupSubjects(plan, evaluation));
  return new Map(
    plan.survey.services.map(({ id }) => [
      id,
      judged.flatMap((one) => (one.subject.about === id ? (findingOf(one) ?? []) : [])),
    ]),
  );
}
