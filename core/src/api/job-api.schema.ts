import * as z from 'zod';
import { countSchema } from '../job/amount.schema.js';
import { jobSchema } from '../job/job.schema.js';

/** What the server and the page say to each other about jobs. */

const revisionSchema = countSchema(1, 2_147_483_647);
const momentSchema = z.iso.datetime();

/** A row of the list of jobs. */
export const jobSummarySchema = z.strictObject({
  id: z.uuid(),
  name: z.string(),
  place: z.string(),
  loadCount: z.int(),
  revision: revisionSchema,
  updatedAt: momentSchema,
});
export type JobSummary = z.infer<typeof jobSummarySchema>;
export const jobListSchema = z.array(jobSummarySchema);

/** A job as it was last saved. */
export const savedJobSchema = z.strictObject({
  id: z.uuid(),
  revision: revisionSchema,
  updatedAt: momentSchema,
  document: jobSchema,
});
export type SavedJob = z.infer<typeof savedJobSchema>;

/** A save names the revision it started from; `saveId` makes repeating it after a lost answer harmless. */
export const saveRequestSchema = z.strictObject({
  baseRevision: revisionSchema,
  saveId: z.uuid('Send a UUID that is new for every save'),
  document: z.unknown(),
});

export const saveResultSchema = z.strictObject({ revision: revisionSchema, updatedAt: momentSchema });
export type SaveResult = z.infer<typeof saveResultSchema>;

export const createRequestSchema = z.strictObject({ document: z.unknown() });

/** One entry of the append-only list of revisions. */
export const revisionEntrySchema = z.strictObject({ revision: revisionSchema, savedAt: momentSchema });
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

/** The answer to a stale save: what was sent, and what has been saved in the meantime. */
export const conflictSchema = problemSchema.extend({
  yours: jobSchema,
  theirs: savedJobSchema,
  /** The revision the save started from, where it is known. */
  base: jobSchema.nullable(),
});
export type Conflict = z.infer<typeof conflictSchema>;

/** Media type of an XLSX workbook. */
export const xlsxType = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

/** Cells of a table, row by row, as text. */
export const tableSchema = z.array(z.array(z.string()));
