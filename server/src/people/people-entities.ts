import type { LinkKind, Role } from '@levamen/core/api';
import { EntitySchema } from 'typeorm';
import { moment, workspaceColumn } from '../store/columns.js';

export interface AccountRow {
  id: string;
  /** In small letters. */
  email: string;
  name: string;
  /** Argon2id, with its salt and cost. */
  passwordHash: string;
  /** Base32; null = there is no second factor. */
  totpSecret: string | null;
  /** Time step of the code that was used last: none is good twice. */
  totpStep: number;
  /** Digests of recovery codes that are left. */
  recovery: string[];
  createdAt: Date;
}

/** An account in a workspace. */
export interface MembershipRow {
  workspaceId: string;
  accountId: string;
  role: Role;
  since: Date;
}

/** A link by which somebody becomes a member, or sets his password anew. */
export interface InvitationRow {
  id: string;
  workspaceId: string;
  kind: LinkKind;
  email: string;
  role: Role;
  /** SHA-256 of its secret. */
  digest: string;
  createdAt: Date;
  expiresAt: Date;
  usedAt: Date | null;
}

export interface JobAssignmentRow {
  jobId: string;
  accountId: string;
  workspaceId: string;
}

export interface SignInFailureRow {
  id: string;
  /** A mail address, or the address a request came from. */
  key: string;
  at: Date;
}

const uuid = { type: 'uuid' } as const;
const accountColumn = (foreignKeyName: string) =>
  ({ ...uuid, name: 'account_id', foreignKey: { target: 'account', name: foreignKeyName } }) as const;

export const AccountEntity = new EntitySchema<AccountRow>({
  name: 'account',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'account_pkey' },
    email: { type: 'text' },
    name: { type: 'text' },
    passwordHash: { type: 'text', name: 'password_hash' },
    totpSecret: { type: 'text', name: 'totp_secret', nullable: true },
    totpStep: { type: 'integer', name: 'totp_step', default: 0 },
    recovery: { type: 'text', array: true, default: '{}' },
    createdAt: { ...moment, name: 'created_at' },
  },
  uniques: [{ name: 'account_email_key', columns: ['email'] }],
});

export const MembershipEntity = new EntitySchema<MembershipRow>({
  name: 'membership',
  columns: {
    workspaceId: {
      ...workspaceColumn('membership_workspace_fkey'),
      primary: true,
      primaryKeyConstraintName: 'membership_pkey',
    },
    accountId: {
      ...accountColumn('membership_account_fkey'),
      primary: true,
      primaryKeyConstraintName: 'membership_pkey',
    },
    role: { type: 'text' },
    since: { ...moment, name: 'since' },
  },
});

export const InvitationEntity = new EntitySchema<InvitationRow>({
  name: 'invitation',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'invitation_pkey' },
    workspaceId: workspaceColumn('invitation_workspace_fkey'),
    kind: { type: 'text' },
    email: { type: 'text' },
    role: { type: 'text' },
    digest: { type: 'text' },
    createdAt: { ...moment, name: 'created_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    usedAt: { type: 'timestamptz', name: 'used_at', nullable: true },
  },
});

export const JobAssignmentEntity = new EntitySchema<JobAssignmentRow>({
  name: 'job_assignment',
  columns: {
    jobId: {
      ...uuid,
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'job_assignment_pkey',
      foreignKey: { target: 'job', name: 'job_assignment_job_fkey', onDelete: 'CASCADE' },
    },
    accountId: {
      ...accountColumn('job_assignment_account_fkey'),
      primary: true,
      primaryKeyConstraintName: 'job_assignment_pkey',
    },
    workspaceId: workspaceColumn('job_assignment_workspace_fkey'),
  },
});

export const SignInFailureEntity = new EntitySchema<SignInFailureRow>({
  name: 'sign_in_failure',
  columns: {
    id: {
      type: 'bigint',
      primary: true,
      generated: 'increment',
      primaryKeyConstraintName: 'sign_in_failure_pkey',
    },
    key: { type: 'text' },
    at: { ...moment, name: 'at' },
  },
  indices: [{ name: 'sign_in_failure_index', columns: ['key', 'at'] }],
});

/** What the installation signs with. */
export const SecretEntity = new EntitySchema<{ name: string; value: string }>({
  name: 'secret',
  columns: {
    name: { type: 'text', primary: true, primaryKeyConstraintName: 'secret_pkey' },
    value: { type: 'text' },
  },
});

/** The table of sessions is written by their own store; it stands here so that nobody takes it for forgotten. */
export const SessionEntity = new EntitySchema<{ sid: string; sess: unknown; expire: Date }>({
  name: 'session',
  columns: {
    sid: { type: 'text', primary: true, primaryKeyConstraintName: 'session_pkey' },
    sess: { type: 'json' },
    expire: { type: 'timestamp', precision: 6 },
  },
  indices: [{ name: 'session_expire_index', columns: ['expire'] }],
});
