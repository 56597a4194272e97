import * as z from 'zod';
import { countSchema, idSchema, lineSchema } from '../base/index.js';
import { itemSchema } from '../equipment/index.js';
import { priceBookSchema } from '../offer/index.js';

/** A company has no more items than this. */
export const maxItems = 10_000;

/** The company's items as they were at one revision of its list. */
export const equipmentListSchema = z.strictObject({
  workspaceId: z.uuid(),
  /** 0 = nobody has entered anything. */
  revision: countSchema(0, 1e9),
  /** The newest there is. */
  latest: countSchema(0, 1e9),
  /** The sample line is offered no longer. */
  sampleHidden: z.boolean(),
  items: z.array(itemSchema).max(maxItems),
  /** What it costs; null = nothing has a price yet. */
  book: priceBookSchema.nullable(),
});
export type EquipmentList = z.infer<typeof equipmentListSchema>;

/** A change of the list: items entered anew or once more, items taken out. It makes one revision, or none at all. */
export const equipmentChangeSchema = z.strictObject({
  /** The revision that was looked at. */
  baseRevision: countSchema(0, 1e9),
  /** The same change is taken once, however often it is sent. */
  changeId: z.uuid(),
  /** In words, for the history. */
  said: lineSchema(200),
  put: z.array(itemSchema).max(maxItems, `At most ${maxItems} items at once`),
  remove: z.array(idSchema).max(maxItems),
  /** Left out = as it was. */
  sampleHidden: z.boolean().optional(),
  book: priceBookSchema.optional(),
});
export type EquipmentChange = z.infer<typeof equipmentChangeSchema>;

/** Who changed the list when, newest first. */
export const equipmentRevisionsSchema = z.array(
  z.strictObject({
    revision: countSchema(1, 1e9),
    said: z.string(),
    actor: z.string(),
    device: z.string(),
    changedAt: z.iso.datetime(),
    /** Items it entered or took out. */
    itemCount: countSchema(0, maxItems),
  }),
);
export type EquipmentRevision = z.infer<typeof equipmentRevisionsSchema>[number];

/** What an item was, newest first; null = taken out. */
export const itemHistorySchema = z.array(
  z.strictObject({
    revision: countSchema(1, 1e9),
    actor: z.string(),
    changedAt: z.iso.datetime(),
    item: itemSchema.nullable(),
  }),
);
export type ItemHistory = z.infer<typeof itemHistorySchema>;
