import type { DocumentProblem } from '@levamen/core/job';
import type { Problem } from '@levamen/core/api';
import type { Response } from 'express';

/** An error the client can do something about. Thrown by routes, answered by the error handler. */
export class HttpProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly problems?: readonly DocumentProblem[],
  ) {
    super(detail);
  }
}

/** Answers in the form of RFC 9457; `extra` adds members of this problem's own. */
export function sendProblem(response: Response, problem: HttpProblem, extra: object = {}): void {
  const body: Problem = {
    type: 'about:blank',
    title: problem.title,
    status: problem.status,
    detail: problem.detail,
    ...(problem.problems ? { problems: [...problem.problems] } : {}),
  };
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ ...body, ...extra }));
}

export const notFound = (what: string): HttpProblem =>
  new HttpProblem(404, 'Not found', `There is no such ${what}. It may have been deleted.`);
