import type { Report, Case } from './case.js';

export function checkJoin({ island, said, service }: Case, report: Report): void {
  // The first service of an island is the one the others are joined to.
  const [first] = island.services;
  if (!first || first.id === service.id) return;
  const host = first.name;
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
