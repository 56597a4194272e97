import type { ErrorRequestHandler } from 'express';
import { QueryFailedError } from 'typeorm';
import { diskFull } from './disk-room.js';
import { maxBodyBytes } from './limits.js';
import { HttpProblem, sendProblem } from './problem.js';

const byType: Readonly<Record<string, HttpProblem>> = {
  'entity.too.large': new HttpProblem(
    413,
    'Too large',
    `A job file may have at most ${maxBodyBytes / 1_000_000} MB. Choose a file that ends in .levamen.json.`,
  ),
  'entity.parse.failed': new HttpProblem(
    400,
    'Not JSON',
    'This is not valid JSON. Check the file and send it again.',
  ),
  'encoding.unsupported': new HttpProblem(
    415,
    'Unsupported encoding',
    'Send the body uncompressed or with gzip.',
  ),
  'charset.unsupported': new HttpProblem(415, 'Unsupported charset', 'Send the body as UTF-8.'),
};

const away = new HttpProblem(
  503,
  'Database not reachable',
  'The database does not answer. Your entries are kept; try again.',
);
const recovering = new HttpProblem(
  503,
  'Database starting',
  'The database is starting or bringing itself up to date. Your entries are kept; try again in a moment.',
);
const busy = new HttpProblem(
  503,
  'Database busy',
  'The database has too much to do. Your entries are kept; try again.',
);

/** By SQLSTATE, the whole code or its class (PostgreSQL documentation, appendix A). */
const bySqlState: Readonly<Record<string, HttpProblem>> = {
  '08': away,
  '57P01': away,
  '57P02': away,
  '57P03': recovering,
  '25006': recovering,
  '53100': diskFull,
  '53': busy,
  '55P03': busy,
  '57014': busy,
  '40': busy,
};

const connectionLost =
  /ECONNREFUSED|ECONNRESET|EPIPE|terminated|shutting down|starting up|Driver not Connected|timeout exceeded when trying to connect/i;

const isExposed = (error: unknown): error is { status: number; message: string; expose: boolean } =>
  typeof error === 'object' &&
  error !== null &&
  'expose' in error &&
  error.expose === true &&
  'status' in error;

const codeOf = (error: unknown): string => {
  const code = (error as { code?: unknown } | null)?.code;
  return typeof code === 'string' ? code : '';
};

const asProblem = (error: unknown): HttpProblem | null => {
  if (error instanceof HttpProblem) return error;
  // body-parser wraps what its `verify` threw.
  const type = (error as { type?: unknown } | null)?.type;
  if (typeof type === 'string' && byType[type]) return byType[type];
  if (isExposed(error)) return new HttpProblem(error.status, 'Bad request', error.message);
  if (error instanceof URIError)
    return new HttpProblem(400, 'Bad request', 'The address is not well formed.');
  const code = codeOf(error);
  const known = bySqlState[code] ?? (code.length === 5 ? bySqlState[code.slice(0, 2)] : undefined);
  if (known) return known;
  if (!(error instanceof QueryFailedError && code.length === 5) && error instanceof Error) {
    if (connectionLost.test(`${error.message} ${code}`)) return away;
  }
  return null;
};

/** Turns whatever a route threw into a problem answer; only what nobody foresaw becomes a 500, and is logged. */
export const errorHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const problem = asProblem(error);
  if (!problem) request.log.error({ err: error }, 'unforeseen error');
  sendProblem(
    response,
    problem ??
      new HttpProblem(500, 'Internal error', 'Something went wrong on the server. Your entries are kept.'),
  );
};
