import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

/** The rules of a company as they are from one revision on. Rows are only ever added. */
export interface CompanyRulesRow {
  workspaceId: string;
  revision: number;
  said: string;
  actor: string;
  device: string;
  changedAt: Date;
  accountId: string | null;
  rules: unknown;
}

export const CompanyRulesEntity = new EntitySchema<CompanyRulesRow>({
  name: 'company_rules',
  columns: {
    workspaceId: {
      ...workspaceColumn('company_rules_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'company_rules_pkey',
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'company_rules_pkey' },
    said: { type: 'text' },
    accountId: accountStamp,
    actor: { type: 'text' },
    device: { type: 'text' },
    changedAt: { ...moment, name: 'changed_at' },
    rules: { type: 'jsonb' },
  },
});
