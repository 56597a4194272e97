import type { ReadingSet } from '@levamen/core/api';
import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

/** A set of readings; it never changes. */
export interface ReadingSetRow {
  id: string;
  workspaceId: string;
  name: string;
  zone: string;
  /** bigint comes as text. */
  startS: string;
  intervalS: number;
  count: number;
  channels: ReadingSet['channels'];
  createdAt: Date;
}

/** Where the values of a channel lie: packed by encodeMilli, then deflated, in the content-addressed store. */
export interface ReadingChannelRow {
  setId: string;
  position: number;
  workspaceId: string;
  digest: string;
}

/** A job has a set; several jobs may have one. A set that was removed from a job is still found by its older revisions. */
export interface JobReadingSetRow {
  jobId: string;
  setId: string;
  workspaceId: string;
  linkedAt: Date;
  removedAt: Date | null;
}

export const ReadingSetEntity = new EntitySchema<ReadingSetRow>({
  name: 'reading_set',
  columns: {
    id: {
      type: 'uuid',
      primary: true,
      generated: 'uuid',
      primaryKeyConstraintName: 'reading_set_pkey',
    },
    workspaceId: workspaceColumn('reading_set_workspace_fkey'),
    name: { type: 'text' },
    zone: { type: 'text' },
    startS: { type: 'bigint', name: 'start_s' },
    intervalS: { type: 'integer', name: 'interval_s' },
    count: { type: 'integer' },
    channels: { type: 'jsonb' },
    createdAt: { ...moment, name: 'created_at' },
  },
});

export const ReadingChannelEntity = new EntitySchema<ReadingChannelRow>({
  name: 'reading_channel',
  columns: {
    setId: {
      type: 'uuid',
      name: 'set_id',
      primary: true,
      primaryKeyConstraintName: 'reading_channel_pkey',
      foreignKey: { target: 'reading_set', name: 'reading_channel_set_fkey', onDelete: 'CASCADE' },
    },
    position: { type: 'integer', primary: true, primaryKeyConstraintName: 'reading_channel_pkey' },
    workspaceId: { type: 'uuid', name: 'workspace_id' },
    digest: { type: 'text' },
  },
  foreignKeys: [
    {
      target: 'blob',
      columnNames: ['workspaceId', 'digest'],
      referencedColumnNames: ['workspaceId', 'digest'],
      name: 'reading_channel_blob_fkey',
    },
  ],
  indices: [{ name: 'reading_channel_blob_index', columns: ['workspaceId', 'digest'] }],
});

export const JobReadingSetEntity = new EntitySchema<JobReadingSetRow>({
  name: 'job_reading_set',
  columns: {
    jobId: {
      type: 'uuid',
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'job_reading_set_pkey',
      foreignKey: { target: 'job', name: 'job_reading_set_job_fkey' },
    },
    setId: {
      type: 'uuid',
      name: 'set_id',
      primary: true,
      primaryKeyConstraintName: 'job_reading_set_pkey',
      foreignKey: { target: 'reading_set', name: 'job_reading_set_set_fkey' },
    },
    workspaceId: workspaceColumn('job_reading_set_workspace_fkey'),
    linkedAt: { ...moment, name: 'linked_at' },
    removedAt: { type: 'timestamptz', name: 'removed_at', nullable: true },
  },
  indices: [{ name: 'job_reading_set_set_index', columns: ['setId'] }],
});
