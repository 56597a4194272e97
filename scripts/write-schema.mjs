// Writes docs/levamen-job.schema.json from the schema the program validates with. Run after `npx tsc -b core`.
import { writeFileSync } from 'node:fs';
import { jobJsonSchema } from './core.mjs';

writeFileSync(
  new URL('../docs/levamen-job.schema.json', import.meta.url),
  `${JSON.stringify(jobJsonSchema(), null, 2)}\n`,
);
