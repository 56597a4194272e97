import { panelUpstream } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { type BenchItem, benchItems } from './bench-items.js';
import type { Island } from './islands.js';
import { coversOf } from './school-facts.js';
import { serviceBackup } from './service-backup.js';

/** The circuits that move to a new backed-up loads panel, of the services that get one: kept ones, but what comes along behind a feeder that moves. */
export function movedCircuits(
  plan: Pick<BackedUpHouse, 'survey' | 'loads' | 'backup'>,
  island: Island,
): readonly BenchItem[] {
  const chosen = new Set(
    island.services.filter(({ id }) => coversOf(serviceBackup(plan, id)) === 'chosen').map(({ id }) => id),
  );
  const kept = benchItems(plan, island).filter(
    ({ lane, panel, circuit }) =>
      lane !== 'dark' &&
      circuit !== null &&
      panel !== null &&
      chosen.has(panelUpstream(plan.survey, panel).service?.id ?? ''),
  );
  const behind = new Set(kept.flatMap(({ feeds }) => feeds?.circuits.map(({ id }) => id) ?? []));
  return kept.filter(({ id }) => !behind.has(id));
}
