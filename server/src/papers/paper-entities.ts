import type { Missing, PaperRequest } from '@levamen/core/papers';
import type { PaperOrder, PaperOrderRequest } from '@levamen/core/api';
import { EntitySchema } from 'typeorm';
import { accountStamp, moment, workspaceColumn } from '../store/columns.js';

const uuid = { type: 'uuid' } as const;
const ofJob = { ...uuid, name: 'job_id' } as const;

/** A paper that was issued. What it is never changes; its bytes lie under its digest until it is erased. */
export interface PaperRow {
  id: string;
  workspaceId: string;
  /** The job may be gone. */
  jobId: string;
  kind: PaperRequest['kind'];
  year: number;
  /** Counted over all papers of the company. */
  running: number;
  number: string;
  letterIndex: number;
  title: string;
  request: PaperRequest;
  issuedAt: Date;
  actor: string;
  device: string;
  accountId: string | null;
  jobRevision: number;
  equipmentRevision: number;
  rulePack: string;
  digest: string;
  bytes: number;
  /** As it was composed, for who reads it by a link; null = no link shows it, or it is erased. */
  content: object | null;
  changes: string[];
  erasedAt: Date | null;
}

export const PaperEntity = new EntitySchema<PaperRow>({
  name: 'paper',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'paper_pkey' },
    workspaceId: workspaceColumn('paper_workspace_fkey'),
    jobId: ofJob,
    kind: { type: 'text' },
    year: { type: 'integer' },
    running: { type: 'integer' },
    number: { type: 'text' },
    letterIndex: { type: 'integer', name: 'letter_index' },
    title: { type: 'text' },
    request: { type: 'jsonb' },
    issuedAt: { ...moment, name: 'issued_at' },
    actor: { type: 'text' },
    device: { type: 'text' },
    accountId: accountStamp,
    jobRevision: { type: 'integer', name: 'job_revision' },
    equipmentRevision: { type: 'integer', name: 'equipment_revision' },
    rulePack: { type: 'text', name: 'rule_pack' },
    digest: { type: 'text' },
    bytes: { type: 'integer' },
    content: { type: 'jsonb', nullable: true },
    changes: { type: 'jsonb' },
    erasedAt: { type: 'timestamptz', name: 'erased_at', nullable: true },
  },
  uniques: [{ name: 'paper_number_key', columns: ['workspaceId', 'running', 'letterIndex'] }],
  indices: [{ name: 'paper_job_index', columns: ['jobId', 'issuedAt'] }],
});

/** A paper that is asked for, and what has become of that. Kept until it has been fetched, an hour at most. */
export interface PaperOrderRow {
  id: string;
  workspaceId: string;
  jobId: string;
  asked: PaperOrderRequest;
  actor: string;
  device: string;
  accountId: string | null;
  state: PaperOrder['state'];
  share: number;
  says: string;
  missing: Missing[];
  result: Buffer | null;
  paperId: string | null;
  createdAt: Date;
  /** When whoever works on it said last how far it is. */
  toldAt: Date;
}

export const PaperOrderEntity = new EntitySchema<PaperOrderRow>({
  name: 'paper_order',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'paper_order_pkey' },
    workspaceId: workspaceColumn('paper_order_workspace_fkey'),
    jobId: {
      ...ofJob,
      foreignKey: { target: 'job', name: 'paper_order_job_fkey', onDelete: 'CASCADE' },
    },
    asked: { type: 'jsonb' },
    actor: { type: 'text' },
    device: { type: 'text' },
    accountId: accountStamp,
    state: { type: 'text', default: 'waiting' },
    share: { type: 'real', default: 0 },
    says: { type: 'text', default: '' },
    missing: { type: 'jsonb', default: [] },
    result: { type: 'bytea', nullable: true },
    paperId: { ...uuid, name: 'paper_id', nullable: true },
    createdAt: { ...moment, name: 'created_at' },
    toldAt: { ...moment, name: 'told_at' },
  },
  indices: [{ name: 'paper_order_job_index', columns: ['jobId'] }],
});

/** A link by which a household reads a paper. */
export interface ClientLinkRow {
  id: string;
  workspaceId: string;
  paperId: string;
  /** SHA-256 of its secret. */
  digest: string;
  createdAt: Date;
  expiresAt: Date;
  revokedAt: Date | null;
  opened: number;
}

export const ClientLinkEntity = new EntitySchema<ClientLinkRow>({
  name: 'client_link',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'client_link_pkey' },
    workspaceId: workspaceColumn('client_link_workspace_fkey'),
    paperId: {
      ...uuid,
      name: 'paper_id',
      foreignKey: { target: 'paper', name: 'client_link_paper_fkey' },
    },
    digest: { type: 'text' },
    createdAt: { ...moment, name: 'created_at' },
    expiresAt: { type: 'timestamptz', name: 'expires_at' },
    revokedAt: { type: 'timestamptz', name: 'revoked_at', nullable: true },
    opened: { type: 'integer', default: 0 },
  },
  uniques: [{ name: 'client_link_digest_key', columns: ['digest'] }],
});

/** What a household has said yes to, by a link. */
export interface AcceptanceRow {
  id: string;
  workspaceId: string;
  paperId: string;
  linkId: string;
  designId: string;
  designName: string;
  name: string;
  at: Date;
  cameFrom: string;
  agent: string;
}

export const AcceptanceEntity = new EntitySchema<AcceptanceRow>({
  name: 'acceptance',
  columns: {
    id: { ...uuid, primary: true, generated: 'uuid', primaryKeyConstraintName: 'acceptance_pkey' },
    workspaceId: workspaceColumn('acceptance_workspace_fkey'),
    paperId: {
      ...uuid,
      name: 'paper_id',
      foreignKey: { target: 'paper', name: 'acceptance_paper_fkey' },
    },
    linkId: {
      ...uuid,
      name: 'link_id',
      foreignKey: { target: 'client_link', name: 'acceptance_link_fkey' },
    },
    designId: { type: 'text', name: 'design_id' },
    designName: { type: 'text', name: 'design_name' },
    name: { type: 'text' },
    at: { ...moment, name: 'at' },
    cameFrom: { type: 'text', name: 'came_from' },
    agent: { type: 'text' },
  },
  uniques: [{ name: 'acceptance_paper_key', columns: ['paperId'] }],
});
