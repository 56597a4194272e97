import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

/** Bytes under their own digest: what is kept twice is kept once, and nothing that has been kept ever changes. */
export interface BlobRow {
  workspaceId: string;
  /** SHA-256, hexadecimal. */
  digest: string;
  bytes: number;
  payload: Buffer;
  createdAt: Date;
}

export const BlobEntity = new EntitySchema<BlobRow>({
  name: 'blob',
  columns: {
    workspaceId: {
      ...workspaceColumn('blob_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'blob_pkey',
    },
    digest: { type: 'text', primary: true, primaryKeyConstraintName: 'blob_pkey' },
    bytes: { type: 'integer' },
    payload: { type: 'bytea' },
    createdAt: { ...moment, name: 'created_at' },
  },
});
