import { type Who, whoHeaders, whoSchema } from '@levamen/core/api';
import type { Request } from 'express';
import { HttpProblem } from './problem.js';

const decoded = (request: Request, header: string): string => {
  const text = request.get(header) ?? '';
  try {
    return decodeURIComponent(text);
  } catch {
    throw new HttpProblem(400, 'Bad request', `The header ${header} is not percent-encoded.`);
  }
};

/** Who asks, and on which device, as they name themselves. */
export function whoOf(request: Request): Who {
  const who = whoSchema.safeParse({
    actor: decoded(request, whoHeaders.actor),
    device: decoded(request, whoHeaders.device),
  });
  if (who.success) return who.data;
  throw new HttpProblem(400, 'Bad request', `Who you are: ${who.error.issues[0]!.message}.`);
}
