import * as z from 'zod';

/** What a circuit monitor says about the present: mean power of the last second and its highest value, W. */
export const liveSampleSchema = z.object({
  atS: z.number(),
  channels: z.array(z.object({ name: z.string().max(80), powerW: z.number(), peakW: z.number() })).max(128),
});
export type LiveSample = z.infer<typeof liveSampleSchema>;
