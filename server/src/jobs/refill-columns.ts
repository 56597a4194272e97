import { readJob } from '@levamen/core/job';
import { type DataSource, LessThan } from 'typeorm';
import { JobEntity, WorkspaceEntity } from '../store/entities.js';
import { actingFor } from '../workspaces/fence.js';
import { columnsOf, columnsVersion } from './job-columns.js';
import { JobStore } from './job-store.js';

const atOnce = 50;

/**
 * Reads what the list shows anew from jobs that were last saved by an earlier version of the program; nobody's work is touched, and
 * nothing of when they were changed. What does not validate keeps what it shows.
 *
 * @returns how many were read
 */
export async function refillColumns(source: DataSource): Promise<number> {
  let read = 0;
  for (const { id: workspaceId } of await source.manager.find(WorkspaceEntity))
    read += await actingFor({ workspaceId, accountId: null }, () => refillWorkspace(source, workspaceId));
  return read;
}

async function refillWorkspace(source: DataSource, workspaceId: string): Promise<number> {
  const store = new JobStore(source, workspaceId);
  let read = 0;
  for (;;) {
    const jobs = await source.manager.find(JobEntity, {
      where: { workspaceId, columnsVersion: LessThan(columnsVersion) },
      order: { id: 'ASC' },
      take: atOnce,
    });
    if (jobs.length === 0) return read;
    for (const { id, headRevision } of jobs) {
      const stored = await store.readAny(id).catch(() => null);
      const job = stored && readJob(stored.document);
      const columns = job?.ok ? columnsOf(job.job) : { columnsVersion };
      // Somebody who has saved meanwhile has said it already.
      await source.manager.update(JobEntity, { id, workspaceId, headRevision }, columns);
      read += 1;
    }
  }
}
