// Compares what two programs say about the same jobs, number by number, to 1e-12.
//   node scripts/figures/compare.mjs BEFORE_FOLDER AFTER_FOLDER
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const [before, after] = process.argv.slice(2);
let values = 0;
const differences = [];

function walk(a, b, path) {
  values += 1;
  if (typeof a === 'number' && typeof b === 'number') {
    if (Math.abs(a - b) > 1e-12 * Math.max(1, Math.abs(a), Math.abs(b))) differences.push([path, a, b]);
    return;
  }
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') {
    if (a !== b) differences.push([path, a, b]);
    return;
  }
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) walk(a[key], b[key], `${path}/${key}`);
}

const names = readdirSync(before);
for (const name of names) {
  const read = (folder) => JSON.parse(readFileSync(join(folder, name), 'utf8'));
  walk(read(before), read(after), name);
}
for (const [path, a, b] of differences.slice(0, 40))
  process.stdout.write(`${path}: ${JSON.stringify(a)?.slice(0, 90)} → ${JSON.stringify(b)?.slice(0, 90)}\n`);
process.stdout.write(`${names.length} jobs, ${values} values, ${differences.length} differ\n`);
process.exitCode = differences.length > 0 ? 1 : 0;
