import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** What a company prints on its papers, as it is from one revision on. Rows are only ever added. */
export interface CompanySheetRow {
  workspaceId: string;
  revision: number;
  actor: string;
  device: string;
  changedAt: Date;
  accountId: string | null;
  sheet: unknown;
}

export const CompanySheetEntity = new EntitySchema<CompanySheetRow>({
  name: 'company_sheet',
  columns: {
    workspaceId: {
      ...workspaceColumn('company_sheet_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'company_sheet_pkey',
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'company_sheet_pkey' },
    actor: { type: 'text' },
    device: { type: 'text' },
    changedAt: { ...moment, name: 'changed_at' },
    accountId: accountStamp,
    sheet: { type: 'jsonb' },
  },
});
