import * as z from 'zod';
import { countSchema, field, idSchema, lineSchema } from '../../base/index.js';

/** What a picture can be of. */
export const photoSubjects = ['panel', 'service', 'load', 'circuit', 'house'] as const;

export const maxPhotos = 200;

/** A picture of something surveyed. Its bytes are kept beside the job, under their digest. */
export const photoSchema = z.strictObject({
  id: idSchema,
  /** What it shows: a thing of the survey by its id; of the house as such the id is ''. */
  of: z.strictObject({
    kind: z.enum(photoSubjects, { error: `Choose one of: ${photoSubjects.join(', ')}` }),
    id: z.union([idSchema, z.literal('')]),
  }),
  /** SHA-256 of the picture, hexadecimal. */
  digest: z.string().regex(/^[0-9a-f]{64}$/, 'A picture is named by its digest'),
  widthPx: countSchema(1, 4096),
  heightPx: countSchema(1, 4096),
  takenOn: z.iso.date('Write the day as 2026-02-28'),
  note: field(lineSchema(160), { label: 'What it shows' }),
});
export type Photo = z.infer<typeof photoSchema>;
