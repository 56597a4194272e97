import { EntitySchema } from 'typeorm';
import { moment } from '../store/columns.js';

/** What came of one scheduled backup of the whole database. */
export interface BackupRunRow {
  /** bigint comes as text. */
  id: string;
  at: Date;
  isGood: boolean;
  says: string;
  bytes: string | null;
  isSent: boolean | null;
}

export const BackupRunEntity = new EntitySchema<BackupRunRow>({
  name: 'backup_run',
  columns: {
    id: {
      type: 'bigint',
      primary: true,
      generated: 'increment',
      primaryKeyConstraintName: 'backup_run_pkey',
    },
    at: moment,
    isGood: { type: 'boolean', name: 'is_good' },
    says: { type: 'text' },
    bytes: { type: 'bigint', nullable: true },
    isSent: { type: 'boolean', name: 'is_sent', nullable: true },
  },
  indices: [{ name: 'backup_run_index', columns: ['at'] }],
});
