import type { BackedUpHouse } from './backed-up-house.js';
import { undecidedBackup, type ServiceBackup } from './backup.schema.js';

/** What is said about the backup of a service, or that nothing is. */
export const serviceBackup = ({ backup }: Pick<BackedUpHouse, 'backup'>, serviceId: string): ServiceBackup =>
  backup.services.find((said) => said.serviceId === serviceId) ?? undecidedBackup(serviceId);

/** The job with something changed about the backup of a service. */
export function changeServiceBackup<P extends BackedUpHouse>(
  plan: P,
  serviceId: string,
  change: Partial<ServiceBackup>,
): P {
  const changed = { ...serviceBackup(plan, serviceId), ...change };
  const others = plan.backup.services.filter((said) => said.serviceId !== serviceId);
  // Whoever was joined to a service that is itself joined now gets a source of its own.
  const services = [...others, changed].map((said) =>
    said.joinedTo === serviceId && changed.joinedTo !== null ? { ...said, joinedTo: null } : said,
  );
  return { ...plan, backup: { ...plan.backup, services } };
}
