import { diffJobs, type Job, readJob } from '@levamen/core/job';
import type { Changes } from '@levamen/core/api';
import jsonPatch, { type Operation } from 'fast-json-patch';
import { LRUCache } from 'lru-cache';
import type { EntityManager } from 'typeorm';
import { thisProgram } from './this-program.js';

/** Every so many revisions a whole document is kept, so that no more differences than that are ever put together. */
export const wholeEvery = 64;
const maxLabels = 6;
/** Documents of revisions that were read or written last; a revision never changes, so neither does what is kept here. As many as a company edits at once. */
const keptDocuments = 512;

type Document = Record<string, unknown>;

/** How the next revision of a job is kept: whole, or as the difference to the one before. */
export type Kept =
  | { readonly document: unknown; readonly patch: null }
  | { readonly document: null; readonly patch: readonly Operation[] };

const versionOf = (document: unknown): unknown => (document as Document | null)?.['version'];

/**
 * Whole or difference, whichever the rules ask for.
 *
 * @param before document of the revision before; null = none
 * @param revision number of the new revision
 */
export function keepAs(before: unknown, document: Document, revision: number): Kept {
  const whole = { document, patch: null };
  if (before === null || revision % wholeEvery === 1 || versionOf(before) !== versionOf(document))
    return whole;
  const patch = jsonPatch.compare(before as object, document);
  // Moving half a house is shorter said as a whole.
  return patch.length > 400 ? whole : { document: null, patch };
}

/** What a save changed, in the words of the fields. */
export function changesBetween(before: unknown, after: unknown): Changes {
  if (before === null) return { count: 0, labels: [] };
  const found = diffJobs(before, after);
  return { count: found.length, labels: found.slice(0, maxLabels).map(({ label }) => label.slice(0, 160)) };
}

/** Documents of revisions, put together from the last whole one. */
export class RevisionDocuments {
  private readonly kept = new LRUCache<string, Document>({ max: keptDocuments });
  /** What reading a kept document gave. */
  private readonly jobs = new WeakMap<Document, Job | null>();

  /** Remembers a valid job that was just written; the next is built on it, hardly ever on the one before. */
  remember(jobId: string, revision: number, job: Job): void {
    this.kept.delete(`${jobId} ${revision - 1}`);
    this.kept.set(`${jobId} ${revision}`, job);
    this.jobs.set(job, job);
  }

  /** The job of a revision in the present form; null where there is none, or it cannot be read. */
  async readable(manager: EntityManager, jobId: string, revision: number): Promise<Job | null> {
    const document = await this.read(manager, jobId, revision);
    if (!document) return null;
    const known = this.jobs.get(document);
    if (known !== undefined) return known;
    const read = readJob(document);
    const job = read.ok ? read.job : null;
    this.jobs.set(document, job);
    return job;
  }

  /** The document of a revision as it was saved, or null where there is no such revision. It must not be changed. */
  async read(manager: EntityManager, jobId: string, revision: number): Promise<Document | null> {
    const known = this.kept.get(`${jobId} ${revision}`);
    if (known) return known;
    const rows = await manager.query<
      { revision: number; document: Document | null; patch: Operation[] | null; isRead: boolean }[]
    >(
      `SELECT revision, document, patch,
         EXISTS (SELECT FROM job j WHERE j.id = $1 AND j.read_revision = $2 AND j.read_by = $3) AS "isRead"
       FROM job_revision
       WHERE job_id = $1 AND revision <= $2 AND revision >= (
         SELECT max(revision) FROM job_revision WHERE job_id = $1 AND revision <= $2 AND document IS NOT NULL)
       ORDER BY revision`,
      [jobId, revision, thisProgram()],
    );
    if (rows.at(-1)?.revision !== revision) return null;
    const document = rows.reduce<Document>(
      (present, row) => row.document ?? jsonPatch.applyPatch(present, row.patch!, false, true).newDocument,
      {},
    );
    this.kept.set(`${jobId} ${revision}`, document);
    if (rows.at(-1)?.isRead) this.jobs.set(document, document as Job);
    return document;
  }
}
