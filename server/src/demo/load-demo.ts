import { demoJobs } from '@levamen/core';
import type { DataSource } from 'typeorm';
import { JobStore } from '../jobs/job-store.js';
import { JobEntity } from '../store/entities.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';

/** Loads the demo jobs that are not there yet; what somebody changed or deleted stays as it is. */
export async function loadDemo(source: DataSource): Promise<void> {
  const store = new JobStore(source, defaultWorkspaceId);
  for (const { id, job } of demoJobs) {
    if (!(await source.manager.existsBy(JobEntity, { id }))) await store.create(job, id);
  }
}
