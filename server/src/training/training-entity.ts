import type { NewTrainingRun } from '@levamen/core/api';
import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** How somebody did on a simulated house with a fault. */
export interface TrainingRow {
  id: string;
  workspaceId: string;
  result: NewTrainingRun;
  at: Date;
  actor: string;
  device: string;
  accountId: string | null;
}

export const TrainingEntity = new EntitySchema<TrainingRow>({
  name: 'training_run',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'training_run_pkey' },
    workspaceId: workspaceColumn('training_run_workspace_fkey'),
    result: { type: 'jsonb' },
    at: moment,
    actor: { type: 'text' },
    device: { type: 'text' },
    accountId: accountStamp,
  },
  indices: [{ name: 'training_run_index', columns: ['workspaceId', 'at'] }],
});
