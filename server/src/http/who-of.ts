import { type Who, whoHeaders, whoSchema } from '@levamen/core/api';
import type { Request } from 'express';
import { accessOf } from '../people/access.js';
import { HttpProblem } from './problem.js';

const decoded = (request: Request, header: string): string => {
  const text = request.get(header) ?? '';
  try {
    return decodeURIComponent(text);
  } catch {
    throw new HttpProblem(400, 'Bad request', `The header ${header} is not percent-encoded.`);
  }
};

/** Who asks: the account that has signed in, else as people name themselves; and on which device, as it is named. */
export function whoOf(request: Request): Who {
  const access = accessOf(request);
  const who = whoSchema.safeParse({
    actor: access?.automatic === false ? access.name : decoded(request, whoHeaders.actor),
    device: decoded(request, whoHeaders.device),
  });
  if (who.success) return who.data;
  throw new HttpProblem(400, 'Bad request', `Who you are: ${who.error.issues[0]!.message}.`);
}
