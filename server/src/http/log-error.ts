import { QueryFailedError } from 'typeorm';

/** What the log says of an error. Statements carry parameters, and these are what people typed: whole jobs. */
export function loggedError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n');
  const { code, constraint, table, routine } = error as unknown as Record<string, unknown>;
  const facts = { type: error.name, code, constraint, table, routine, frames };
  if (!(error instanceof QueryFailedError)) return { ...facts, message: error.message };
  // Messages of the database quote values; its code says as much.
  return { ...facts, statement: error.query };
}
