import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { HttpProblem } from './problem.js';

/**
 * A body parser whose refusal of too much speaks of what was sent.
 *
 * @param parser one of Express's body parsers, made with `limit: maxBytes`
 * @param what what is too large: "A channel"
 */
export function bodyOf(parser: RequestHandler, what: string, maxBytes: number): RequestHandler {
  return (request: Request, response: Response, next: NextFunction): void => {
    void parser(request, response, (error?: unknown) => {
      const tooLarge = (error as { type?: unknown } | undefined)?.type === 'entity.too.large';
      next(
        tooLarge
          ? new HttpProblem(413, 'Too large', `${what} may have at most ${maxBytes / 1_000_000} MB.`)
          : error,
      );
    });
  };
}
