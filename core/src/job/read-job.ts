import { jobFormat, jobSchema, jobVersion, type Job } from './job.schema.js';
import { settleJob } from './plan-of.js';
import { migrateJob } from './migrate-job.js';

/** One thing wrong with a document: where, and what to change. */
export interface DocumentProblem {
  /** Dotted path, '' for the whole document. */
  readonly path: string;
  readonly message: string;
}

export type ReadJob =
  | { readonly ok: true; readonly job: Job }
  | { readonly ok: false; readonly problems: readonly DocumentProblem[] };

const refuse = (message: string, path = ''): ReadJob => ({ ok: false, problems: [{ path, message }] });

/** More than this many problems help nobody. */
const maxProblems = 50;

/**
 * Reads a saved job of any version: recognises it, migrates it step by step, validates it.
 *
 * @param document parsed JSON, from a file, a request or the database
 * @returns the job, or what is wrong in words that say what to change; never throws
 */
export function readJob(document: unknown): ReadJob {
  if (typeof document !== 'object' || document === null || Array.isArray(document)) {
    return refuse('This is not a Levamen job: a job is one JSON object.');
  }
  const { format, version } = document as Record<string, unknown>;
  if (format !== jobFormat) {
    return refuse(
      `This file was not made by Levamen: "format" should be "${jobFormat}". Choose a file that ends in .levamen.json.`,
      'format',
    );
  }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) {
    return refuse('The job does not say its version: "version" should be a whole number from 1.', 'version');
  }
  if (version > jobVersion) {
    return refuse(
      `This job was saved by a newer Levamen (version ${version}; this one reads up to ${jobVersion}). Update Levamen, then open it again.`,
      'version',
    );
  }
  const result = jobSchema.safeParse(migrateJob(document as Record<string, unknown>, version));
  // What an older form could not say yet follows from the rest, lanes of feeders for example.
  if (result.success) return { ok: true, job: version < jobVersion ? settleJob(result.data) : result.data };
  return { ok: false, problems: problemsOf(result.error.issues) };
}

/** The first problems, with dotted paths. */
export const problemsOf = (
  issues: readonly { readonly path: readonly PropertyKey[]; readonly message: string }[],
): DocumentProblem[] =>
  issues.slice(0, maxProblems).map(({ path, message }) => ({ path: path.map(String).join('.'), message }));
