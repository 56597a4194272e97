import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

/** A job may show the photo with this digest; several jobs may. It stays as long as a revision may ask for it. */
export interface JobPhotoRow {
  jobId: string;
  digest: string;
  workspaceId: string;
  keptAt: Date;
}

export const JobPhotoEntity = new EntitySchema<JobPhotoRow>({
  name: 'job_photo',
  columns: {
    jobId: {
      type: 'uuid',
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'job_photo_pkey',
      foreignKey: { target: 'job', name: 'job_photo_job_fkey' },
    },
    digest: { type: 'text', primary: true, primaryKeyConstraintName: 'job_photo_pkey' },
    workspaceId: workspaceColumn('job_photo_workspace_fkey'),
    keptAt: { ...moment, name: 'kept_at' },
  },
  foreignKeys: [
    {
      target: 'blob',
      columnNames: ['workspaceId', 'digest'],
      referencedColumnNames: ['workspaceId', 'digest'],
      name: 'job_photo_blob_fkey',
    },
  ],
  indices: [{ name: 'job_photo_blob_index', columns: ['workspaceId', 'digest'] }],
});
