import * as z from 'zod';
import { countSchema } from '../../base/index.js';
import { itemSchema } from '../../equipment/index.js';

/** A job keeps no more items than this: what its stacks are made of. */
export const maxKeptItems = 100;

/** Which list of equipment a job is designed with, and the items it uses as they were then: a file needs no company to be read. */
export const equipmentUseSchema = z.strictObject({
  /** Whose list; null = the sample line alone. */
  workspaceId: z.uuid('A list belongs to a company: give its identifier, or null').nullable(),
  /** Revision of that list; 0 = nothing of it. */
  revision: countSchema(0, 1e9),
  kept: z.array(itemSchema).max(maxKeptItems, `A job keeps at most ${maxKeptItems} items`),
});
export type EquipmentUse = z.infer<typeof equipmentUseSchema>;

export const sampleLineOnly = (): EquipmentUse => ({ workspaceId: null, revision: 0, kept: [] });
