import * as z from 'zod';
import { amountSchema, countSchema, lineSchema } from '../base/index.js';
import { courseStateNames } from '../house/index.js';
import { jobSchema } from '../job/index.js';

/** What the server and the page say to each other about jobs. */

export const revisionSchema = countSchema(1, 2_147_483_647);
const momentSchema = z.iso.datetime();

/** Who saved, and on which device; names chosen there until there are accounts. Empty = not said. */
export const whoSchema = z.strictObject({ actor: lineSchema(60), device: lineSchema(60) });
export type Who = z.infer<typeof whoSchema>;

/** Request headers that carry {@link Who}, each percent-encoded: header values are ASCII. */
export const whoHeaders = { actor: 'x-levamen-actor', device: 'x-levamen-device' } as const;

/** A row of the list of jobs. */
export const jobSummarySchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  place: z.string(),
  loadCount: z.int(),
  /** What of it is due next; null = nothing is. */
  due: z.strictObject({ on: z.iso.date(), text: z.string() }).nullable(),
  /** The last state of its course; null = it has reached none. */
  state: z.enum(courseStateNames).nullable(),
  revision: revisionSchema,
  updatedAt: momentSchema,
  /** Set = the job lies in the bin. */
  deletedAt: momentSchema.nullable(),
});
export type JobSummary = z.infer<typeof jobSummarySchema>;

export const jobSorts = ['changed', 'name', 'place', 'loads', 'due'] as const;
export type JobSort = (typeof jobSorts)[number];
export const jobsPerPage = 50;

/** What the list of jobs may be asked for. */
export const jobQuerySchema = z.object({
  /** Part of a name or place, in any case. */
  search: lineSchema(120).default(''),
  sort: z.enum(jobSorts, { error: `Sort by one of: ${jobSorts.join(', ')}` }).default('changed'),
  order: z.enum(['up', 'down'], { error: 'Order up or down' }).default('down'),
  /** From 1. */
  page: z.coerce.number().pipe(countSchema(1, 1_000_000)).default(1),
  bin: z.stringbool({ error: 'Say true or false' }).default(false),
  /** Only those that have reached this state last; "none" = that have reached none. */
  state: z.enum(['', 'none', ...courseStateNames], { error: 'Name a state, or none' }).default(''),
});
export type JobQuery = z.infer<typeof jobQuerySchema>;

/** One page of the list of jobs. */
export const jobPageSchema = z.strictObject({
  rows: z.array(jobSummarySchema),
  /** Jobs that match, on all pages. */
  total: z.int(),
  page: z.int(),
  /** How many of those that match are in which state, whatever state was asked for. */
  states: z.array(z.strictObject({ state: z.enum(courseStateNames).nullable(), count: z.int() })),
});
export type JobPage = z.infer<typeof jobPageSchema>;

/** A job as it was last saved. */
export const savedJobSchema = z.strictObject({
  id: z.uuid(),
  revision: revisionSchema,
  updatedAt: momentSchema,
  ...whoSchema.shape,
  document: jobSchema,
});
export type SavedJob = z.infer<typeof savedJobSchema>;

const operationSchema = z.strictObject({
  op: z.enum(['add', 'remove', 'replace'], { error: 'Use add, remove or replace' }),
  /** JSON Pointer (RFC 6901). */
  path: z.string().max(400),
  value: z.unknown().optional(),
});

/** Changes of a document after RFC 6902, as far as comparing two documents yields them. */
export const patchSchema = z.array(operationSchema).max(5000, 'Send the whole document instead');
export type Patch = z.infer<typeof patchSchema>;

/** Title of the answer to a patch that does not fit its revision: the whole document is wanted then. */
export const patchMisfit = 'The patch does not fit';

/** More saves than this without an answer, and the oldest are forgotten. */
export const maxSuperseded = 50;

/**
 * A save names the revision it started from; `saveId` makes repeating it after a lost answer harmless. Earlier saves that never
 * got an answer are named too: one of them that has arrived after all is what this one builds on.
 */
export const saveRequestSchema = z
  .strictObject({
    baseRevision: revisionSchema,
    saveId: z.uuid('Send a UUID that is new for every save'),
    supersedes: z
      .array(z.uuid())
      .max(maxSuperseded, `Name at most ${maxSuperseded} earlier saves`)
      .default([]),
    document: z.unknown().optional(),
    /** Instead of the document: what is different from the revision it started from. */
    patch: patchSchema.optional(),
  })
  .refine(({ document, patch }) => (document === undefined) !== (patch === undefined), {
    error: 'Send either the document or a patch',
    path: ['document'],
  });

export const saveResultSchema = z.strictObject({ revision: revisionSchema, updatedAt: momentSchema });
export type SaveResult = z.infer<typeof saveResultSchema>;

export const createRequestSchema = z.strictObject({ document: z.unknown() });

/** What a revision changed, in the words of the fields; `labels` names the first few. */
export const changesSchema = z.strictObject({ count: z.int(), labels: z.array(z.string()) });
export type Changes = z.infer<typeof changesSchema>;

/** One entry of the append-only list of revisions. */
export const revisionEntrySchema = z.strictObject({
  revision: revisionSchema,
  savedAt: momentSchema,
  ...whoSchema.shape,
  changes: changesSchema,
});
export type RevisionEntry = z.infer<typeof revisionEntrySchema>;

export const revisionQuerySchema = z.object({
  /** Only revisions before this one. */
  before: z.coerce.number().pipe(revisionSchema).optional(),
  limit: z.coerce.number().pipe(countSchema(1, 500)).default(200),
});

/** Revisions, newest first. */
export const revisionListSchema = z.array(revisionEntrySchema);

/** An error in the form of RFC 9457. `problems` says what to change, and where. */
export const problemSchema = z.strictObject({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  problems: z.array(z.strictObject({ path: z.string(), message: z.string() })).optional(),
});
export type Problem = z.infer<typeof problemSchema>;

/** The answer to a stale save: what has been saved in the meantime, and what both started from. */
export const conflictSchema = problemSchema.extend({
  theirs: savedJobSchema,
  /** The revision the save started from; null where it cannot be read. */
  base: jobSchema.nullable(),
});
export type Conflict = z.infer<typeof conflictSchema>;

/** The answer where a stored job is not valid any more: it is kept, and there are ways on. */
export const unreadableJobSchema = problemSchema.extend({
  unreadable: z.strictObject({
    revision: revisionSchema,
    name: z.string(),
    /** The newest revision that can be read; null = none. */
    lastReadable: revisionSchema.nullable(),
    /** The job with what cannot be read set back, and the places; null where that is not enough. */
    mended: z.strictObject({ document: jobSchema, places: z.array(z.string()) }).nullable(),
  }),
});
export type UnreadableJob = z.infer<typeof unreadableJobSchema>;

/** How the server is, and whose jobs it shows. */
export const healthSchema = z.strictObject({
  status: z.literal('ok'),
  uptimeS: amountSchema(0, 1e10),
  jobs: z.enum(['demo', 'own']),
});
export type Health = z.infer<typeof healthSchema>;

/** Whether a server should be sent requests now. */
export const readinessSchema = z.strictObject({
  ready: z.boolean(),
  /** What it waits for, in words; empty where it is ready. */
  waitsFor: z.array(z.enum(['it is stopping', 'the database', 'other servers'])),
});
export type Readiness = z.infer<typeof readinessSchema>;

/** Bytes the database keeps, by kind. */
export const storageSchema = z.strictObject({
  jobs: z.int(),
  jobsInBin: z.int(),
  revisionBytes: z.number(),
  blobBytes: z.number(),
  /** Readings that only jobs in the bin have. */
  binBlobBytes: z.number(),
});
export type Storage = z.infer<typeof storageSchema>;

/** One line of the log of who did what. */
export const deedSchema = z.strictObject({
  id: z.int(),
  at: momentSchema,
  ...whoSchema.shape,
  deed: z.string(),
  jobId: z.uuid().nullable(),
  facts: z.record(z.string(), z.unknown()),
});
export const deedListSchema = z.array(deedSchema);

/** Media type of an XLSX workbook. */
export const xlsxType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Cells of a table, row by row, as text. */
export const tableSchema = z.array(z.array(z.string()));
