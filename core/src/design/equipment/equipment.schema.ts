import * as z from 'zod';
import { idSchema } from '../../base/index.js';
import { measuredStackSchema, stackPartSchema } from '../../equipment/index.js';

/** The units a design uses. */
export const equipmentSchema = z.strictObject({
  /** The stack somebody chose for an island; one that is not named takes the smallest that satisfies every limit. */
  stacks: z
    .array(
      z.strictObject({
        islandId: idSchema,
        parts: z
          .array(stackPartSchema)
          .min(1, 'Choose at least one unit')
          .max(12, 'Use at most 12 kinds of unit'),
        /** null = nobody measured it. */
        measured: measuredStackSchema.nullable(),
      }),
    )
    .max(8, 'Use at most 8 islands'),
});
export type Equipment = z.infer<typeof equipmentSchema>;

export const emptyEquipment = (): Equipment => ({ stacks: [] });
