import * as z from 'zod';
import { revisionSchema, whoSchema } from './job-api.schema.js';

/** What the page says of itself when it asks who else is in a job; headers cannot be sent with that request. */
export const liveQuerySchema = z.strictObject({
  /** Which window asks: made anew by every page. */
  window: z.uuid('Send a UUID that is new for every window'),
  actor: whoSchema.shape.actor.default(''),
  device: whoSchema.shape.device.default(''),
});
export type LiveQuery = z.infer<typeof liveQuerySchema>;

/** Somebody who has a job open, in one window. */
const presentSchema = z.strictObject({ window: z.uuid(), ...whoSchema.shape });
export type Present = z.infer<typeof presentSchema>;

/** What happens in a job that is open. */
export const liveEventSchema = z.discriminatedUnion('kind', [
  /** Who has it open now, the window that asks among them. */
  z.strictObject({ kind: z.literal('present'), people: z.array(presentSchema) }),
  /** What is saved now, said first: whatever was missed shows by it. */
  z.strictObject({ kind: z.literal('head'), revision: revisionSchema }),
  /** A revision was saved. */
  z.strictObject({
    kind: z.literal('saved'),
    revision: revisionSchema,
    ...whoSchema.shape,
  }),
]);
export type LiveEvent = z.infer<typeof liveEventSchema>;
