import * as z from 'zod';
import { countSchema, idSchema } from '../../base/index.js';

/** So many pieces of a unit from the catalogue. */
export const stackPartSchema = z.strictObject({
  unitId: idSchema,
  quantity: countSchema(1, 60),
});
export type StackPart = z.infer<typeof stackPartSchema>;
