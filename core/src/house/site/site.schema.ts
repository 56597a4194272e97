import * as z from 'zod';
import { amountSchema, lineSchema } from '../../base/index.js';

const isTimeZone = (name: string): boolean => {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch {
    return false;
  }
};

/** IANA name, for example "Europe/Vienna". */
export const timeZoneSchema = lineSchema(60).refine(
  isTimeZone,
  'Use a time zone name such as Europe/Vienna or America/Halifax',
);

export const siteSchema = z.strictObject({
  place: lineSchema(160),
  latitudeDeg: amountSchema(-90, 90, '°').nullable(),
  longitudeDeg: amountSchema(-180, 180, '°').nullable(),
  timeZone: timeZoneSchema.nullable(),
  /** How quantities are shown; nothing is computed differently. */
  units: z.enum(['metric', 'imperial'], { error: 'Choose metric or imperial' }),
  floorAreaM2: amountSchema(5, 5000, 'm²').nullable(),
});
export type Site = z.infer<typeof siteSchema>;
