import { serviceBackup } from '../../design/index.js';
import type { Report, Case } from './case.js';

export function checkJoin({ plan, said, service }: Case, report: Report): void {
  const sharing = plan.survey.services.filter((other) => {
    const { school, islandId } = serviceBackup(plan, other.id);
    return school !== 'none' && islandId === said.islandId;
  });
  const host = sharing[0]?.name;
  // The first service of an island is the one the others are joined to.
  if (host === undefined || sharing[0]!.id === service.id) return;
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
