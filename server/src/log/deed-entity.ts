import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** One line of the log of who did what. Lines are only ever added. */
export interface DeedRow {
  /** bigint comes as text. */
  id: string;
  workspaceId: string;
  at: Date;
  actor: string;
  device: string;
  accountId: string | null;
  deed: string;
  jobId: string | null;
  facts: Record<string, unknown>;
}

export const DeedEntity = new EntitySchema<DeedRow>({
  name: 'deed',
  columns: {
    id: {
      type: 'bigint',
      primary: true,
      generated: 'increment',
      primaryKeyConstraintName: 'deed_pkey',
    },
    workspaceId: workspaceColumn('deed_workspace_fkey'),
    at: moment,
    accountId: accountStamp,
    actor: { type: 'text' },
    device: { type: 'text' },
    deed: { type: 'text' },
    jobId: { type: 'uuid', name: 'job_id', nullable: true },
    facts: { type: 'jsonb', default: {} },
  },
  indices: [{ name: 'deed_workspace_index', columns: ['workspaceId', 'id'] }],
});
