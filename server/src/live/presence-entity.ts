import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

/** Somebody who has a job open, in one window, on whichever server. */
export interface PresenceRow {
  /** Of this visit: a window that comes again has another one. */
  id: string;
  workspaceId: string;
  jobId: string;
  /** That serves it. */
  serverId: string;
  windowId: string;
  actor: string;
  device: string;
  enteredAt: Date;
  /** Its server has said last that it is still there. */
  heardAt: Date;
}

export const PresenceEntity = new EntitySchema<PresenceRow>({
  name: 'presence',
  columns: {
    id: { type: 'uuid', primary: true, primaryKeyConstraintName: 'presence_pkey' },
    workspaceId: workspaceColumn('presence_workspace_fkey'),
    jobId: { type: 'uuid', name: 'job_id' },
    serverId: { type: 'uuid', name: 'server_id' },
    windowId: { type: 'uuid', name: 'window_id' },
    actor: { type: 'text' },
    device: { type: 'text' },
    enteredAt: { ...moment, name: 'entered_at' },
    heardAt: { ...moment, name: 'heard_at' },
  },
  indices: [{ name: 'presence_job_index', columns: ['jobId'] }],
});
