import { liveEventSchema } from '@levamen/core/api';
import * as z from 'zod';

/** What servers of one database tell each other. */
export const serverEventSchema = z.discriminatedUnion('about', [
  /** Something was saved in a job, or somebody has come or gone (then nothing is said of it: who is there stands in the database). */
  z.strictObject({ about: z.literal('job'), jobId: z.uuid(), event: liveEventSchema.nullable() }),
  /** A recording of a job's system was begun, ended, or taken over. */
  z.strictObject({ about: z.literal('recording'), jobId: z.uuid() }),
]);
export type ServerEvent = z.infer<typeof serverEventSchema>;
