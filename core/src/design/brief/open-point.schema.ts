import * as z from 'zod';
import { field, idSchema, lineSchema } from '../../base/index.js';

export const maxOpenPoints = 400;

/** Something that is to be found out: typed by somebody, or what is said about one that Levamen found. */
export const openPointSchema = z.strictObject({
  id: idSchema,
  /** Key of the point that Levamen found; '' for one that somebody typed. */
  about: lineSchema(160),
  text: field(lineSchema(300), { label: 'What is open' }),
  who: field(lineSchema(80), { label: 'Who finds out' }),
  dueOn: field(z.iso.date('Write the day as 2026-02-28').nullable(), { label: 'By' }),
  /** Settled: asked, seen, or accepted as it is. */
  done: z.boolean({ error: 'Say yes or no' }),
});
export type OpenPoint = z.infer<typeof openPointSchema>;
