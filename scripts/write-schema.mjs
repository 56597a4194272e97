// Writes the published schemas of Levamen's files from those the program validates with. Run after `npx tsc -b core`.
import { writeFileSync } from 'node:fs';
import { commissioningJsonSchema, jobJsonSchema, tariffJsonSchema } from './core.mjs';

for (const [name, schema] of [
  ['job', jobJsonSchema()],
  ['tariffs', tariffJsonSchema()],
  ['commissioning', commissioningJsonSchema()],
])
  writeFileSync(
    new URL(`../docs/levamen-${name}.schema.json`, import.meta.url),
    `${JSON.stringify(schema, null, 2)}\n`,
  );
