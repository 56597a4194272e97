// Writes the published schemas of Levamen's files from those the program validates with. Run after `npx tsc -b core`.
import { writeFileSync } from 'node:fs';
import { jobJsonSchema, tariffJsonSchema } from './core.mjs';

for (const [name, schema] of [
  ['job', jobJsonSchema()],
  ['tariffs', tariffJsonSchema()],
])
  writeFileSync(
    new URL(`../docs/levamen-${name}.schema.json`, import.meta.url),
    `${JSON.stringify(schema, null, 2)}\n`,
  );
