import * as z from 'zod';
import { jobSchema, jobVersion } from './job.schema.js';

/** JSON Schema (draft 2020-12) of the `.levamen.json` file, generated from the schema the program itself validates with. */
export function jobJsonSchema(): Record<string, unknown> {
  return {
    $id: `urn:levamen:job:${jobVersion}`,
    title: `Levamen job, version ${jobVersion}`,
    description:
      'A design of a residential battery backup system. Quantities are in W, Wh, A, V, s, h, m² and °C, as their names say.',
    ...z.toJSONSchema(jobSchema, { reused: 'ref' }),
  };
}
