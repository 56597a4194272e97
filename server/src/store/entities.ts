import type { Changes } from '@levamen/core/api';
import type { DueDate } from '@levamen/core/logbook';
import { EntitySchema } from 'typeorm';
import { RequestCountEntity } from '../http/request-count-entity.js';
import { HousesAnswerEntity, HousesRunEntity } from '../houses/houses-entities.js';
import { MonitorSwitchEntity } from '../monitor/monitor-switch-entity.js';
import { PresenceEntity } from '../live/presence-entity.js';
import { BackupRunEntity } from '../backups/backup-entity.js';
import { BlobEntity } from '../blobs/blob-entity.js';
import {
  EquipmentItemEntity,
  EquipmentRevisionEntity,
  ItemPriceEntity,
  PriceBookEntity,
} from '../equipment/equipment-entities.js';
import { RecordingChunkEntity, RecordingEntity } from '../devices/device-entities.js';
import { DeedEntity } from '../log/deed-entity.js';
import { JobPhotoEntity } from '../photos/photo-entity.js';
import { JobReadingSetEntity, ReadingChannelEntity, ReadingSetEntity } from '../readings/reading-entities.js';
import { CompanySheetEntity } from '../company/company-sheet-entity.js';
import {
  AcceptanceEntity,
  ClientLinkEntity,
  PaperEntity,
  PaperOrderEntity,
} from '../papers/paper-entities.js';
import { CompanyRulesEntity } from '../rules/company-rules-entity.js';
import {
  AccountEntity,
  InvitationEntity,
  JobAssignmentEntity,
  MembershipEntity,
  SecretEntity,
  SessionEntity,
  SignInFailureEntity,
} from '../people/people-entities.js';
import { TrainingEntity } from '../training/training-entity.js';
import { WeatherEntity } from '../weather/weather-entity.js';
import { accountStamp, moment, workspaceColumn } from './columns.js';

/** Jobs belong to a workspace; there is one for now, and accounts will be members of some. */
export interface WorkspaceRow {
  id: string;
  name: string;
  /** Its members sign in with a second factor. */
  secondFactor: boolean;
  /** Days a deleted job lies in the bin; null = until somebody removes it. */
  binDays: number | null;
  /** Days a line of the log is kept; null = for good. */
  logDays: number | null;
  /** In which the server may ask devices. */
  deviceNetworks: string[];
  createdAt: Date;
}

export interface JobRow {
  id: string;
  workspaceId: string;
  name: string;
  place: string;
  /** Name and place, as they are searched. */
  sought: string;
  loadCount: number;
  /** What of it is due next, and when; null = nothing is. */
  dueOn: string | null;
  dueText: string;
  /** Everything that is due, the earliest first. */
  dues: readonly Pick<DueDate, 'kind' | 'on' | 'text'>[];
  /** The last state of its course; '' = it has reached none. */
  state: string;
  /** Version of the program by which these were read from its document. */
  columnsVersion: number;
  headRevision: number;
  /** The last revision that was found valid, and by which program; it is kept as that would read it. */
  readRevision: number;
  readBy: string;
  createdAt: Date;
  updatedAt: Date;
  /** Set = deleted, and can be restored. */
  deletedAt: Date | null;
}

/** One saved state of a job, whole or as a difference to the one before. Rows are only ever added, and go only with their job. */
export interface JobRevisionRow {
  jobId: string;
  revision: number;
  workspaceId: string;
  saveId: string;
  /** The whole document; null where there is a patch. */
  document: unknown;
  /** RFC 6902 operations on the revision before; null where there is a document. */
  patch: unknown;
  /** Version of the document's form. */
  version: number;
  actor: string;
  device: string;
  accountId: string | null;
  changes: Changes;
  savedAt: Date;
}

export const WorkspaceEntity = new EntitySchema<WorkspaceRow>({
  name: 'workspace',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'workspace_pkey' },
    name: { type: 'text' },
    secondFactor: { type: 'boolean', name: 'second_factor', default: false },
    binDays: { type: 'integer', name: 'bin_days', nullable: true },
    logDays: { type: 'integer', name: 'log_days', nullable: true },
    deviceNetworks: { type: 'jsonb', name: 'device_networks', default: [] },
    createdAt: { ...moment, name: 'created_at' },
  },
});

export const JobEntity = new EntitySchema<JobRow>({
  name: 'job',
  columns: {
    id: { type: 'uuid', primary: true, generated: 'uuid', primaryKeyConstraintName: 'job_pkey' },
    workspaceId: workspaceColumn('job_workspace_fkey'),
    name: { type: 'text' },
    place: { type: 'text', default: '' },
    sought: { type: 'text', default: '' },
    loadCount: { type: 'integer', name: 'load_count', default: 0 },
    dueOn: { type: 'date', name: 'due_on', nullable: true },
    dueText: { type: 'text', name: 'due_text', default: '' },
    dues: { type: 'jsonb', default: [] },
    state: { type: 'text', default: '' },
    columnsVersion: { type: 'integer', name: 'columns_version', default: 0 },
    headRevision: { type: 'integer', name: 'head_revision' },
    readRevision: { type: 'integer', name: 'read_revision', default: 0 },
    readBy: { type: 'text', name: 'read_by', default: '' },
    createdAt: { ...moment, name: 'created_at' },
    updatedAt: { ...moment, name: 'updated_at' },
    deletedAt: { type: 'timestamptz', name: 'deleted_at', nullable: true },
  },
  indices: [
    { name: 'job_changed_index', columns: ['workspaceId', 'updatedAt', 'id'] },
    { name: 'job_due_index', columns: ['workspaceId', 'dueOn'] },
    { name: 'job_state_index', columns: ['workspaceId', 'state'], where: 'deleted_at IS NULL' },
    // On an expression, which entities cannot say.
    { name: 'job_name_index', synchronize: false },
    { name: 'job_place_index', synchronize: false },
  ],
});

export const JobRevisionEntity = new EntitySchema<JobRevisionRow>({
  name: 'job_revision',
  columns: {
    jobId: {
      type: 'uuid',
      name: 'job_id',
      primary: true,
      primaryKeyConstraintName: 'job_revision_pkey',
      foreignKey: { target: 'job', name: 'job_revision_job_fkey' },
    },
    revision: { type: 'integer', primary: true, primaryKeyConstraintName: 'job_revision_pkey' },
    workspaceId: workspaceColumn('job_revision_workspace_fkey'),
    saveId: { type: 'uuid', name: 'save_id' },
    document: { type: 'jsonb', nullable: true },
    patch: { type: 'jsonb', nullable: true },
    version: { type: 'integer', default: 1 },
    accountId: accountStamp,
    actor: { type: 'text', default: '' },
    device: { type: 'text', default: '' },
    changes: { type: 'jsonb', default: { count: 0, labels: [] } },
    savedAt: { ...moment, name: 'saved_at' },
  },
  uniques: [{ name: 'job_revision_save_key', columns: ['jobId', 'saveId'] }],
  checks: [{ name: 'job_revision_whole_or_patch', expression: '(document IS NULL) <> (patch IS NULL)' }],
});

export const entities = [
  WorkspaceEntity,
  JobEntity,
  JobRevisionEntity,
  BlobEntity,
  DeedEntity,
  ReadingSetEntity,
  ReadingChannelEntity,
  JobReadingSetEntity,
  JobPhotoEntity,
  WeatherEntity,
  EquipmentRevisionEntity,
  EquipmentItemEntity,
  PriceBookEntity,
  ItemPriceEntity,
  CompanyRulesEntity,
  CompanySheetEntity,
  PaperEntity,
  PaperOrderEntity,
  ClientLinkEntity,
  AcceptanceEntity,
  TrainingEntity,
  BackupRunEntity,
  RecordingEntity,
  RecordingChunkEntity,
  AccountEntity,
  MembershipEntity,
  InvitationEntity,
  JobAssignmentEntity,
  SignInFailureEntity,
  SessionEntity,
  SecretEntity,
  RequestCountEntity,
  PresenceEntity,
  MonitorSwitchEntity,
  HousesRunEntity,
  HousesAnswerEntity,
];
