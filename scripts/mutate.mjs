// Alters numeric constants of core one by one and looks whether a test notices; prints what nobody notices.
//   node scripts/mutate.mjs [EVERY] [FIRST]     every so manieth constant, from the first on; all without
// Each constant is raised by a fiftieth, small whole numbers by one. The tests beside it and the check values run first, then all
// that use it; a constant that none of them misses has survived.
import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';

const root = new URL('..', import.meta.url).pathname;
const [every = '1', first = '0'] = process.argv.slice(2);

/** Lists of names, invented units and pictures: their numbers are data, not rules. */
const data =
  /\/(testing|demo|library|catalogue)\/|climates\.ts$|simulated-house\.ts$|\.spec\.ts$|\/api\/|\/present\//;
const filesIn = (folder) =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    return entry.isDirectory() ? filesIn(path) : path.endsWith('.ts') ? [path] : [];
  });

/** Numbers that only count, convert or index are no constants of the trade. */
const structural = new Set([0, 1, 2, 3, 7, 10, 12, 24, 60, 100, 365, 1000, 1440, 3600, 8760, 525_600]);
function constantsOf(path) {
  const source = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found = [];
  const visit = (node) => {
    if (ts.isNumericLiteral(node)) {
      const value = Number(node.text.replaceAll('_', ''));
      const isIndex = ts.isElementAccessExpression(node.parent);
      if (!structural.has(value) && !isIndex && Math.abs(value) > 1e-5)
        found.push({
          path,
          from: node.getStart(),
          to: node.getEnd(),
          value,
          line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const all = filesIn(join(root, 'core/src'))
  .filter((path) => !data.test(path))
  .flatMap(constantsOf)
  .filter((_, index) => index >= Number(first) && (index - Number(first)) % Number(every) === 0);
process.stdout.write(`${all.length} constants\n`);
if (process.env.COUNT) process.exit(0);

// Works on a copy, so that the project is never left altered.
const copy = mkdtempSync(join(tmpdir(), 'levamen-mutants-'));
for (const name of ['core', 'docs', 'package.json', 'vitest.config.ts', 'tsconfig.base.json'])
  cpSync(join(root, name), join(copy, name), {
    recursive: true,
    filter: (path) => !/node_modules|\/dist$/.test(path),
  });
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));

const passes = (...what) =>
  spawnSync('npx', ['--no-install', 'vitest', ...what, '--run', '--project', 'core', '--bail', '1'], {
    cwd: copy,
    encoding: 'utf8',
    timeout: 400_000,
  }).status === 0;

/** Whole designs over several years: too slow to be asked thousands of times. */
const slow = ['random-houses', 'agreement', 'ways-to-mend', 'suggest-holding', 'suggest-set'];
const withoutSlow = slow.flatMap((name) => ['--exclude', `**/${name}.spec.ts`]);

if (!passes('run', 'outside-values', 'core/src/base/'))
  throw new Error('The tests fail before anything is altered.');

const survivors = [];
let done = 0;
for (const { path, from, to, value, line } of all) {
  const inCopy = join(copy, relative(root, path));
  const text = readFileSync(path, 'utf8');
  const changed =
    Number.isInteger(value) && Math.abs(value) < 50 ? value + 1 : Number((value * 1.02).toPrecision(12));
  writeFileSync(inCopy, text.slice(0, from) + String(changed) + text.slice(to));
  const here = relative(root, path);
  const survived =
    passes('run', 'outside-values', `${dirname(here)}/`) && passes('related', here, ...withoutSlow);
  writeFileSync(inCopy, text);
  done += 1;
  if (survived) survivors.push([here, line, value, changed]);
  process.stdout.write(`${done}/${all.length} ${survived ? 'SURVIVED' : 'found'} ${here}:${line} ${value}\n`);
}
process.stdout.write(`${JSON.stringify(survivors)}\n`);
