import * as z from 'zod';
import { amountSchema, countSchema, lineSchema, nameSchema } from '../base/index.js';
import { channelRoles, timeZoneSchema } from '../house/index.js';

/** Most values a channel may have: ten years of minutes. */
export const maxValues = 5_300_000;
export const maxChannels = 64;

export const channelFactsSchema = z.strictObject({
  name: lineSchema(80),
  role: z.enum(channelRoles, { error: `Choose one of: ${channelRoles.join(', ')}` }),
  quantity: z.enum(['power', 'energy'], { error: 'Choose power or energy' }),
});

/** A set of readings without their values. */
export const readingSetSchema = z.strictObject({
  name: nameSchema(120),
  zone: timeZoneSchema,
  /** Whole seconds: that is how they are kept. */
  startS: amountSchema(0, 10_000_000_000, 's').int('Enter whole seconds'),
  intervalS: amountSchema(1, 86_400, 's').int('Enter whole seconds'),
  count: countSchema(1, maxValues),
  channels: z
    .array(channelFactsSchema)
    .min(1, 'A set has a channel')
    .max(maxChannels, `A set has at most ${maxChannels} channels`),
});
export type ReadingSet = z.infer<typeof readingSetSchema>;

export const savedReadingSetSchema = readingSetSchema.extend({
  id: z.uuid(),
  createdAt: z.iso.datetime(),
  /** Bytes all its channels take in the database. */
  bytes: z.number(),
  /** Every channel has arrived. */
  complete: z.boolean(),
});
export type SavedReadingSet = z.infer<typeof savedReadingSetSchema>;
export const readingSetListSchema = z.array(savedReadingSetSchema);
