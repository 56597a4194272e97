import type { ErrorRequestHandler } from 'express';
import { QueryFailedError } from 'typeorm';
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

const connectionLost =
  /ECONNREFUSED|ECONNRESET|terminat|shutting down|starting up|timeout exceeded when trying to connect/i;

const isExposed = (error: unknown): error is { status: number; message: string; expose: boolean } =>
  typeof error === 'object' &&
  error !== null &&
  'expose' in error &&
  error.expose === true &&
  'status' in error;

const asProblem = (error: unknown): HttpProblem | null => {
  if (error instanceof HttpProblem) return error;
  const type = (error as { type?: unknown } | null)?.type;
  if (typeof type === 'string' && byType[type]) return byType[type];
  if (isExposed(error)) return new HttpProblem(error.status, 'Bad request', error.message);
  if (error instanceof URIError)
    return new HttpProblem(400, 'Bad request', 'The address is not well formed.');
  const text = error instanceof Error ? `${error.message} ${String((error as { code?: unknown }).code)}` : '';
  if (connectionLost.test(text) && !(error instanceof QueryFailedError && /syntax/.test(text))) {
    return new HttpProblem(
      503,
      'Database not reachable',
      'The database does not answer. Your entries are kept; try again.',
    );
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
