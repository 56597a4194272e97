import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** No name and no id holds the character NUL, and the database takes none in a text. */
export const refuseNul: RequestHandler = (request, _response, next) => {
  if (/%00/.test(request.url))
    throw new HttpProblem(400, 'Bad request', 'The address holds a character that no name has (%00).');
  next();
};
