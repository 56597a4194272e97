import { type Job, readChange, readJob } from '@levamen/core/job';
import type * as z from 'zod';
import { HttpProblem } from './problem.js';

/** A request body that fits `schema`, or a 400 that names every field that does not. */
export function parseBody<T extends z.ZodType>(schema: T, body: unknown): z.infer<T> {
  const result = schema.safeParse(body);
  if (result.success) return result.data;
  throw new HttpProblem(
    400,
    'Bad request',
    'Correct the fields listed and send the request again.',
    result.error.issues.map((issue) => ({ path: issue.path.map(String).join('.'), message: issue.message })),
  );
}

/**
 * A job from a request, of any version, or a 422 that says what to change.
 *
 * @param before a valid job it may be another version of: then only what differs is validated
 */
export function parseJob(document: unknown, before: Job | null = null): Job {
  const read = before ? readChange(before, document) : readJob(document);
  if (read.ok) return read.job;
  throw new HttpProblem(
    422,
    'Not a valid job',
    read.problems[0]?.message ?? 'Not a valid job',
    read.problems,
  );
}
