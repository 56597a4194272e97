import * as z from 'zod';
import { notFound } from './problem.js';

const idSchema = z.uuid();

/** The identifier in an address; 404 where it is none: nothing of that kind can be there. */
export function validId(text: unknown, what: string): string {
  const id = idSchema.safeParse(text);
  if (!id.success) throw notFound(what);
  return id.data;
}
