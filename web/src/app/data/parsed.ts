import { map } from 'rxjs';
import type * as z from 'zod';

/** An answer of the server, validated. */
export const parsed = <T extends z.ZodType>(schema: T) =>
  map((body: unknown): z.infer<T> => schema.parse(body));
