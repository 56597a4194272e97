import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

const loopback = new Set(['127.0.0.1', 'localhost', '[::1]', '::1']);

/**
 * Serves only requests that were addressed to this machine by a loopback name, and changes nothing for a page of another
 * origin: a name that resolves to loopback must not let a foreign page read the jobs.
 */
export const hostGuard: RequestHandler = (request, _response, next) => {
  if (!loopback.has(request.hostname)) {
    throw new HttpProblem(421, 'Wrong host', 'Open Levamen under 127.0.0.1 or localhost.');
  }
  const { origin } = request.headers;
  if (origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.headers.host)) {
    throw new HttpProblem(403, 'Foreign origin', 'Requests from other sites are refused.');
  }
  next();
};
