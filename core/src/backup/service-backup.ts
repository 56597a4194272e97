import type { Job } from '../job/job.schema.js';
import { undecidedBackup, type ServiceBackup } from './backup.schema.js';

/** What is said about the backup of a service, or that nothing is. */
export const serviceBackup = ({ backup }: Pick<Job, 'backup'>, serviceId: string): ServiceBackup =>
  backup.services.find((said) => said.serviceId === serviceId) ?? undecidedBackup(serviceId);

/** The job with something changed about the backup of a service. */
export function changeServiceBackup(job: Job, serviceId: string, change: Partial<ServiceBackup>): Job {
  const changed = { ...serviceBackup(job, serviceId), ...change };
  const others = job.backup.services.filter((said) => said.serviceId !== serviceId);
  // Whoever was joined to a service that is itself joined now gets a source of its own.
  const services = [...others, changed].map((said) =>
    said.joinedTo === serviceId && changed.joinedTo !== null ? { ...said, joinedTo: null } : said,
  );
  return { ...job, backup: { ...job.backup, services } };
}
