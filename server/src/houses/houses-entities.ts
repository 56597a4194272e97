import type { HouseAnswer } from '@levamen/core/api';
import type { HousesQuestion } from '@levamen/core/logbook';
import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

/** A question that all houses of a company are asked. */
export interface HousesRunRow {
  id: string;
  workspaceId: string;
  asked: HousesQuestion;
  createdAt: Date;
  /** A house has answered last; whoever works has died where that is long ago. */
  heardAt: Date;
  /** null = nobody has called it off. */
  cancelledAt: Date | null;
}

/** What one house answers. */
export interface HousesAnswerRow {
  runId: string;
  jobId: string;
  workspaceId: string;
  /** null = it was not asked yet. */
  answer: HouseAnswer | null;
}

export const HousesRunEntity = new EntitySchema<HousesRunRow>({
  name: 'houses_run',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'houses_run_pkey' },
    workspaceId: workspaceColumn('houses_run_workspace_fkey'),
    asked: { type: 'jsonb' },
    createdAt: { ...moment, name: 'created_at' },
    heardAt: { ...moment, name: 'heard_at' },
    cancelledAt: { type: 'timestamptz', name: 'cancelled_at', nullable: true },
  },
  indices: [{ name: 'houses_run_index', columns: ['workspaceId', 'createdAt'] }],
});

export const HousesAnswerEntity = new EntitySchema<HousesAnswerRow>({
  name: 'houses_answer',
  columns: {
    runId: {
      type: 'uuid',
      name: 'run_id',
      primary: true,
      primaryKeyConstraintName: 'houses_answer_pkey',
      foreignKey: { target: 'houses_run', name: 'houses_answer_run_fkey', onDelete: 'CASCADE' },
    },
    jobId: {
      type: 'uuid',
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'houses_answer_pkey',
      foreignKey: { target: 'job', name: 'houses_answer_job_fkey', onDelete: 'CASCADE' },
    },
    workspaceId: workspaceColumn('houses_answer_workspace_fkey'),
    answer: { type: 'jsonb', nullable: true },
  },
  indices: [{ name: 'houses_answer_job_index', columns: ['jobId'] }],
});
