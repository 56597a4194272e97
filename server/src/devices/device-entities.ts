import { EntitySchema } from 'typeorm';
import type { SystemAddress } from '@levamen/core/house';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** What was recorded of a system, second by second. */
export interface RecordingEntityRow {
  id: string;
  workspaceId: string;
  jobId: string;
  name: string;
  /** null = it was read from a file. */
  system: SystemAddress | null;
  beganAt: Date;
  /** null = it goes on. */
  endedAt: Date | null;
  actor: string;
  device: string;
  accountId: string | null;
  /** The server that asks the system and writes; null = none does. */
  recorder: string | null;
  /** When that server has said so last. */
  heardAt: Date | null;
}

/** Some seconds of it: rows of numbers, packed and deflated. */
export interface RecordingChunkRow {
  recordingId: string;
  position: number;
  workspaceId: string;
  /** The last second in it. */
  untilS: number;
  samples: number;
  payload: Buffer;
}

export const RecordingEntity = new EntitySchema<RecordingEntityRow>({
  name: 'recording',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'recording_pkey' },
    workspaceId: workspaceColumn('recording_workspace_fkey'),
    jobId: {
      type: 'uuid',
      name: 'job_id',
      foreignKey: { target: 'job', name: 'recording_job_fkey' },
    },
    name: { type: 'text' },
    system: { type: 'jsonb', nullable: true },
    beganAt: { ...moment, name: 'began_at' },
    endedAt: { type: 'timestamptz', name: 'ended_at', nullable: true },
    actor: { type: 'text' },
    device: { type: 'text' },
    accountId: accountStamp,
    recorder: { type: 'uuid', nullable: true },
    heardAt: { type: 'timestamptz', name: 'heard_at', nullable: true },
  },
  indices: [{ name: 'recording_job_index', columns: ['jobId', 'beganAt'] }],
});

export const RecordingChunkEntity = new EntitySchema<RecordingChunkRow>({
  name: 'recording_chunk',
  columns: {
    recordingId: {
      type: 'uuid',
      name: 'recording_id',
      primary: true,
      primaryKeyConstraintName: 'recording_chunk_pkey',
      foreignKey: { target: 'recording', name: 'recording_chunk_recording_fkey', onDelete: 'CASCADE' },
    },
    position: { type: 'integer', primary: true, primaryKeyConstraintName: 'recording_chunk_pkey' },
    workspaceId: workspaceColumn('recording_chunk_workspace_fkey'),
    untilS: { type: 'integer', name: 'until_s' },
    samples: { type: 'integer' },
    payload: { type: 'bytea' },
  },
});
