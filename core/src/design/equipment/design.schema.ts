import * as z from 'zod';
import { idSchema } from '../../base/index.js';
import { stackPartSchema } from '../../equipment/index.js';

const chosenSchema = z
  .array(stackPartSchema)
  .min(1, 'Choose at least one unit')
  .max(12, 'Use at most 12 kinds of unit')
  .nullable();

export const designSchema = z.strictObject({
  /** The stack the user chose; null = the smallest that satisfies every limit. */
  chosen: chosenSchema,
  /** The same for services with a source of their own, beyond the first. */
  others: z
    .array(z.strictObject({ serviceId: idSchema, chosen: chosenSchema }))
    .max(8, 'Use at most 8 services'),
});
export type Design = z.infer<typeof designSchema>;
