// Writes docs/dependencies.md: every package the program runs with, its version and licence, as package-lock.json and the packages say.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';

const read = (path) => JSON.parse(readFileSync(new URL(path, new URL('../', import.meta.url)), 'utf8'));
const lock = read('package-lock.json');
const own = ['core', 'server', 'web'];
const direct = new Set(own.flatMap((name) => Object.keys(read(`${name}/package.json`).dependencies ?? {})));

const rows = Object.entries(lock.packages)
  .filter(([path, { dev, link }]) => path.startsWith('node_modules/') && !dev && !link)
  .map(([path, { version, license }]) => {
    const name = path.slice(path.lastIndexOf('node_modules/') + 'node_modules/'.length);
    const file = new URL(`../${path}/package.json`, import.meta.url);
    const said = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')).license : undefined;
    const licence = license ?? (typeof said === 'string' ? said : (said?.type ?? 'not said'));
    return { name, version, licence };
  })
  .filter(({ name }) => !name.startsWith('@levamen/'))
  .toSorted((a, b) => a.name.localeCompare(b.name) || a.version.localeCompare(b.version));
const unique = rows.filter(
  ({ name, version }, i) => i === 0 || rows[i - 1].name !== name || rows[i - 1].version !== version,
);
const counts = new Map();
for (const { licence } of unique) counts.set(licence, (counts.get(licence) ?? 0) + 1);
const line = ({ name, version, licence }) => `| ${name} | ${version} | ${licence} |`;
const table = (list) =>
  ['| package | version | licence |', '| --- | --- | --- |', ...list.map(line)].join('\n');

writeFileSync(
  new URL('../docs/dependencies.md', import.meta.url),
  `# Dependencies

Written by \`node scripts/list-licences.mjs\` from \`package-lock.json\`: what the program runs with; tools of development are left out. Every version is fixed.

${[...counts]
  .toSorted((a, b) => b[1] - a[1])
  .map(([licence, count]) => `${count} × ${licence}`)
  .join(', ')}.

## Chosen

${table(unique.filter(({ name }) => direct.has(name)))}

## What they bring along

${table(unique.filter(({ name }) => !direct.has(name)))}
`,
);
