import * as z from 'zod';
import { itemSchema } from './item.schema.js';

export const itemFileTitle = 'Levamen equipment, version 1';

/** JSON Schema (draft 2020-12) of a file of equipment: a list of items, as the program itself validates them. */
export function itemJsonSchema(): Record<string, unknown> {
  return {
    $id: 'urn:levamen:equipment:1',
    title: itemFileTitle,
    description:
      'Items of a company. Quantities are in W, VA, Wh, Ah, A, V, s, ms, h, m, mm, kg and °C, as their names say; shares are between 0 and 1; null is: nobody has said.',
    ...z.toJSONSchema(
      z.strictObject({
        format: z.literal('levamen-equipment'),
        version: z.literal(1),
        items: z.array(itemSchema),
      }),
    ),
  };
}
