import type { IncomingMessage, ServerResponse } from 'node:http';
import { HttpProblem } from './problem.js';

/** A job nests some ten levels deep. */
const maxDepth = 64;

const quote = 0x22;
const backslash = 0x5c;

/**
 * Refuses JSON that nests deeper than any job, before it is parsed: for Express's `verify`.
 *
 * One pass over the bytes; brackets inside of strings do not count.
 */
export function refuseDeepJson(_request: IncomingMessage, _response: ServerResponse, body: Buffer): void {
  let depth = 0;
  let inString = false;
  for (let i = 0; i < body.length; i += 1) {
    const byte = body[i]!;
    if (inString) {
      if (byte === backslash) i += 1;
      else if (byte === quote) inString = false;
    } else if (byte === quote) inString = true;
    else if (byte === 0x5b || byte === 0x7b) {
      depth += 1;
      if (depth > maxDepth)
        throw new HttpProblem(400, 'Nested too deeply', `JSON may nest at most ${maxDepth} levels deep.`);
    } else if (byte === 0x5d || byte === 0x7d) depth -= 1;
  }
}
