import * as z from 'zod';
import { countSchema } from './amount.schema.js';
import { idSchema } from './text.schema.js';

/** So many pieces of a unit from the catalogue. */
export const stackPartSchema = z.strictObject({
  unitId: idSchema,
  quantity: countSchema(1, 60),
});
export type StackPart = z.infer<typeof stackPartSchema>;

export const designSchema = z.strictObject({
  /** The stack the user chose; null = the smallest that satisfies every limit. */
  chosen: z
    .array(stackPartSchema)
    .min(1, 'Choose at least one unit')
    .max(12, 'Use at most 12 kinds of unit')
    .nullable(),
});
export type Design = z.infer<typeof designSchema>;
