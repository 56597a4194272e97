import * as z from 'zod';
import { amountSchema, field, lineSchema } from '../../base/index.js';

/** Zones that are there: to ask costs more than to read the rest of a site. */
const zones = new Set<string>();

const isTimeZone = (name: string): boolean => {
  if (zones.has(name)) return true;
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    zones.add(name);
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
  place: field(lineSchema(160), { label: 'Place' }),
  latitudeDeg: field(amountSchema(-90, 90, '°').nullable(), {
    label: 'Latitude',
    unit: 'deg',
    hint: 'North positive',
  }),
  longitudeDeg: field(amountSchema(-180, 180, '°').nullable(), {
    label: 'Longitude',
    unit: 'deg',
    hint: 'East positive',
  }),
  timeZone: field(timeZoneSchema.nullable(), {
    label: 'Time zone',
    hint: 'For example America/Halifax',
  }),
  /** How quantities are shown; nothing is computed differently. */
  units: z.enum(['metric', 'imperial'], { error: 'Choose metric or imperial' }),
  floorAreaM2: field(amountSchema(5, 5000, 'm²').nullable(), { label: 'Floor area', unit: 'm²' }),
});
export type Site = z.infer<typeof siteSchema>;
