import * as z from 'zod';
import { amountSchema } from '../../base/index.js';

/** What a staged outage showed a stack to be, beside what its data sheets say of it as new. */
export const measuredStackSchema = z.strictObject({
  /** Of the recording it was read from. */
  recordingId: z.uuid(),
  /** When it was taken into the design. */
  at: z.iso.datetime({ message: 'Write the moment as 2026-02-28T14:05:00Z' }),
  /** Usable energy over what was predicted for it as new. */
  usableTimes: amountSchema(0.2, 2),
  /** What the system itself takes, W; null = it was not told. */
  standbyW: amountSchema(0, 5000).nullable(),
  /** What leaves the cells for each watt-hour given, and what they keep of each taken, over what was predicted. */
  dischargeTimes: amountSchema(0.5, 2),
  chargeTimes: amountSchema(0.5, 2),
});
export type MeasuredStack = z.infer<typeof measuredStackSchema>;
