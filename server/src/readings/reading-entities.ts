import type { ReadingSet } from '@levamen/core';
import { EntitySchema } from 'typeorm';

export interface ReadingSetRow {
  id: string;
  jobId: string;
  name: string;
  zone: string;
  /** bigint comes as text. */
  startS: string;
  intervalS: number;
  count: number;
  channels: ReadingSet['channels'];
  createdAt: Date;
}

export interface ReadingChannelRow {
  setId: string;
  position: number;
  /** Packed by encodeMilli, then deflated. */
  payload: Buffer;
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
    jobId: {
      type: 'uuid',
      name: 'job_id',
      foreignKey: { target: 'job', name: 'reading_set_job_fkey' },
    },
    name: { type: 'text' },
    zone: { type: 'text' },
    startS: { type: 'bigint', name: 'start_s' },
    intervalS: { type: 'integer', name: 'interval_s' },
    count: { type: 'integer' },
    channels: { type: 'jsonb' },
    createdAt: { type: 'timestamptz', name: 'created_at', default: () => 'now()' },
  },
  indices: [{ name: 'reading_set_job_index', columns: ['jobId'] }],
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
    payload: { type: 'bytea' },
  },
});
