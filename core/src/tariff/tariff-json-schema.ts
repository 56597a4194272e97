import * as z from 'zod';
import { tariffFileSchema } from './tariff-file.js';

/** JSON Schema (draft 2020-12) of a `.levamen-tariffs.json` file, generated from the schema the program itself validates with. */
export const tariffJsonSchema = (): Record<string, unknown> => ({
  $id: 'urn:levamen:tariffs:1',
  title: 'Levamen tariffs, version 1',
  description:
    'What utilities charge for a meter: seasons, bands, hours, tiers, standing and demand charges, energy sent out, taxes. Amounts are decimal text before tax.',
  ...z.toJSONSchema(tariffFileSchema, { reused: 'ref' }),
});
