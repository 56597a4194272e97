import * as z from 'zod';
import { countSchema, digestSchema, field, idSchema, lineSchema } from '../../base/index.js';
import { aboutStepSchema } from '../commissioning/commissioning.schema.js';

export const maxPhotos = 400;
/** Bytes of one photo at most, as it is kept. */
export const maxPhotoBytes = 4_000_000;
/** Its longer side is scaled down to so many pixels. */
export const photoSidePx = 2048;

export const photoSubjects = [
  'panel',
  'legend',
  'meter',
  'nameplate',
  'wall',
  'route',
  'step',
  'other',
] as const;
export type PhotoSubject = (typeof photoSubjects)[number];

/** A photo of something surveyed. Its bytes are kept beside the job, under their digest. */
export const photoSchema = z.strictObject({
  id: idSchema,
  digest: digestSchema('photo'),
  /** Id of the service, panel, circuit, load or wall it shows, or of the step it was taken at ({@link aboutStep}); null = the house. */
  aboutId: z.union([idSchema, aboutStepSchema]).nullable(),
  subject: field(z.enum(photoSubjects, { error: `Choose one of: ${photoSubjects.join(', ')}` }), {
    label: 'It shows',
    choices: [
      ['panel', 'Panel'],
      ['legend', 'Legend'],
      ['meter', 'Meter'],
      ['nameplate', 'Nameplate'],
      ['wall', 'Wall'],
      ['route', 'Route'],
      ['step', 'A step of commissioning'],
      ['other', 'Something else'],
    ],
  }),
  caption: field(lineSchema(200), { label: 'Caption' }),
  /** Day of the picture as its file says; null = it does not. */
  takenOn: z.iso.date('Write the day as 2026-02-28').nullable(),
  widthPx: countSchema(1, 8192),
  heightPx: countSchema(1, 8192),
});
export type Photo = z.infer<typeof photoSchema>;
