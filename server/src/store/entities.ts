import type { Job } from '@levamen/core';
import { ReadingChannelEntity, ReadingSetEntity } from '../readings/reading-entities.js';
import { WeatherEntity } from '../weather/weather-entity.js';
import { EntitySchema } from 'typeorm';

/** Jobs belong to a workspace; there is one for now, and accounts will be members of some. */
export interface WorkspaceRow {
  id: string;
  name: string;
  createdAt: Date;
}

export interface JobRow {
  id: string;
  workspaceId: string;
  name: string;
  headRevision: number;
  createdAt: Date;
  updatedAt: Date;
  /** Set = deleted, and can be restored. */
  deletedAt: Date | null;
}

/** One saved state of a job. Rows are only ever added; a trigger refuses anything else. */
export interface JobRevisionRow {
  jobId: string;
  revision: number;
  saveId: string;
  document: Job;
  savedAt: Date;
}

const moment = { type: 'timestamptz', default: () => 'now()' } as const;

export const WorkspaceEntity = new EntitySchema<WorkspaceRow>({
  name: 'workspace',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'workspace_pkey' },
    name: { type: 'text' },
    createdAt: { ...moment, name: 'created_at' },
  },
});

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'job_pkey' },
    workspaceId: {
      type: 'uuid',
      name: 'workspace_id',
      foreignKey: { target: 'workspace', name: 'job_workspace_fkey' },
    },
    name: { type: 'text' },
    headRevision: { type: 'integer', name: 'head_revision' },
    createdAt: { ...moment, name: 'created_at' },
    updatedAt: { ...moment, name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
  indices: [{ name: 'job_workspace_index', columns: ['workspaceId'] }],
});

export const JobRevisionEntity = new EntitySchema<JobRevisionRow>({
  name: 'job_revision',
  columns: {
    jobId: {
      type: 'uuid',
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'job_revision_pkey',
      foreignKey: { target: 'job', name: 'job_revision_job_fkey' },
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'job_revision_pkey' },
    saveId: { type: 'uuid', name: 'save_id' },
    document: { type: 'jsonb' },
    savedAt: { ...moment, name: 'saved_at' },
  },
  uniques: [{ name: 'job_revision_save_key', columns: ['jobId', 'saveId'] }],
});

export const entities = [
  WorkspaceEntity,
  JobEntity,
  JobRevisionEntity,
  ReadingSetEntity,
  ReadingChannelEntity,
  WeatherEntity,
];
