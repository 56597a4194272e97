import type { BackedUpHouse } from './backed-up-house.js';
import { type ServiceBackup, undecidedBackup } from './backup.schema.js';
import { islandIdsOf } from './isolation-points.js';

type Backed = Pick<BackedUpHouse, 'backup'>;

/** What is said about the backup of a service, or that nothing is. */
export const serviceBackup = ({ backup }: Backed, serviceId: string): ServiceBackup =>
  backup.services.find((said) => said.serviceId === serviceId) ?? undecidedBackup(serviceId);

/** The plan with something changed about the backup of a service. A splice is cut at a feeder, everything else is not. */
export function changeServiceBackup<P extends Backed>(
  plan: P,
  serviceId: string,
  change: Partial<ServiceBackup>,
): P {
  const changed = { ...serviceBackup(plan, serviceId), ...change };
  const { school, isolation } = changed;
  if (school === 'feeder' && isolation.at !== 'feeder') changed.isolation = { at: 'feeder', panelId: null };
  if (school !== 'feeder' && isolation.at === 'feeder') changed.isolation = { at: 'service' };
  const others = plan.backup.services.filter((said) => said.serviceId !== serviceId);
  return { ...plan, backup: { ...plan.backup, services: [...others, changed] } };
}

/**
 * The plan with each of some mains of a service cut off by itself, and on a source of its own; a main that had one keeps it.
 *
 * @param panelIds the mains; none = the service is cut off as a whole
 */
export function isolateMains<P extends Backed>(plan: P, serviceId: string, panelIds: readonly string[]): P {
  if (panelIds.length === 0) return changeServiceBackup(plan, serviceId, { isolation: { at: 'service' } });
  const { isolation, islandId } = serviceBackup(plan, serviceId);
  const before = new Map(
    isolation.at === 'mains' ? isolation.mains.map((main) => [main.panelId, main.islandId]) : [],
  );
  const isFree = ![...before.values()].includes(islandId);
  const mains = panelIds.map((panelId, index) => ({
    panelId,
    islandId: before.get(panelId) ?? (index === 0 && isFree ? islandId : panelId),
  }));
  return changeServiceBackup(plan, serviceId, { isolation: { at: 'mains', mains } });
}

/**
 * The plan with a service on the source of another one, or on one of its own.
 *
 * @param hostId the service whose island it joins; null = an island of its own
 */
export function joinService<P extends Backed>(plan: P, serviceId: string, hostId: string | null): P {
  if (hostId !== null)
    return changeServiceBackup(plan, serviceId, { islandId: islandIdsOf(serviceBackup(plan, hostId))[0]! });
  const taken = new Set(
    plan.backup.services.flatMap((said) => (said.serviceId === serviceId ? [] : islandIdsOf(said))),
  );
  let islandId = serviceId;
  for (let number = 2; taken.has(islandId); number += 1) islandId = `${serviceId}-${number}`;
  return changeServiceBackup(plan, serviceId, { islandId });
}

/** The first service on whose source another one is; null = it is that itself, or has one of its own. */
export function hostOf(plan: Pick<BackedUpHouse, 'survey' | 'backup'>, serviceId: string): string | null {
  const [islandId] = islandIdsOf(serviceBackup(plan, serviceId));
  const first = plan.survey.services.find(({ id }) =>
    islandIdsOf(serviceBackup(plan, id)).includes(islandId!),
  );
  return first && first.id !== serviceId ? first.id : null;
}

/** The sub-panel whose feeder is cut; null where none is, or nobody has said which. */
export const splicedPanelId = ({ isolation }: Pick<ServiceBackup, 'isolation'>): string | null =>
  isolation.at === 'feeder' ? isolation.panelId : null;
