import * as z from 'zod';
import { commissioningRecordSchema } from './commissioning-record.schema.js';

/** JSON Schema (draft 2020-12) of a `-commissioning.json` file, generated from the schema the record is made by; its rows are the columns of the CSV. */
export const commissioningJsonSchema = (): Record<string, unknown> => ({
  $id: 'urn:levamen:commissioning:2',
  title: 'Levamen record of commissioning',
  ...z.toJSONSchema(commissioningRecordSchema, { reused: 'ref' }),
});
