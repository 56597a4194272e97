import { formatHeader, olderPage } from '@levamen/core/api';
import { jobVersion } from '@levamen/core/job';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** A page that writes an older version of a job changes nothing: it would leave out what it does not know. */
export const refuseOlderPage: RequestHandler = (request, _response, next) => {
  const format = request.get(formatHeader);
  const reads = request.method === 'GET' || request.method === 'HEAD';
  if (!reads && format !== undefined && Number(format) < jobVersion)
    throw new HttpProblem(
      422,
      olderPage,
      'The program has changed since this page was opened. Reload the page; what you entered is kept on this device.',
    );
  next();
};
