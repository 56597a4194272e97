import type { Report, Case } from './case.js';

export function checkJoin({ plan, said, service }: Case, report: Report): void {
  if (said.joinedTo === null) return;
  const host = plan.survey.services.find(({ id }) => id === said.joinedTo)?.name ?? 'another service';
  report(
    'joined',
    said.school === 'split' ? 'must-fix' : 'consider',
    said.school === 'split'
      ? 'A system of its own is not joined to another'
      : `Shares its source with ${host}`,
    `Two services on one source: both must be isolated before it closes, and the conductors between ${service.name} and ${host} count as feeders.`,
    'Interlock both isolating devices, or give each service its own source.',
  );
}
