// Alters numeric constants of core one by one and looks whether a test notices; prints what nobody notices.
//   node scripts/mutate.mjs FILE [EVERY] [FIRST] [PLACE]     every so manieth constant, from the first on; all without. PLACE: a regular
//                                                            expression, for files whose path it fits
// Each constant is raised by a fiftieth, small whole numbers by one. First all tests run once, to learn which of them reads which
// constant; then each altered constant is shown to tests that read it until one fails: those that noticed another of its file, those beside
// it, the values from outside, then the quickest, for at most half a minute. What was found is added to FILE a line at a time, and a constant that stands there is not tried again.
import { appendFileSync, existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { createVitest } from 'vitest/node';

const root = new URL('..', import.meta.url).pathname;
const [out, every = '1', first = '0', place = ''] = process.argv.slice(2);
if (!out)
  throw new Error('Say which file the results go to: node scripts/mutate.mjs FILE [EVERY] [FIRST] [PLACE]');

/** A test file that takes longer than this is not asked: whole designs over several years. */
const slowMs = 15_000;
/** Test files are asked until they would take so long together. */
const askedMs = 30_000;

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
      const { parent } = node;
      const isNoValue =
        ts.isElementAccessExpression(parent) ||
        ts.isLiteralTypeNode(parent) ||
        (ts.isPropertyAssignment(parent) && parent.name === node);
      if (!structural.has(value) && !isNoValue && Math.abs(value) > 1e-5)
        found.push({
          path,
          from: node.getStart(),
          to: node.getEnd(),
          value,
          line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
        });
    }
    if (!ts.isTypeNode(node)) ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const all = filesIn(join(root, 'core/src'))
  .filter((path) => !data.test(path))
  .flatMap(constantsOf)
  .map((constant, id) => ({ ...constant, id }));
const byPath = new Map();
for (const constant of all) byPath.set(constant.path, [...(byPath.get(constant.path) ?? []), constant]);

const key = ({ path, line, value, from }) => `${relative(root, path)}:${line} ${value} @${from}`;
const tried = new Set(
  existsSync(out)
    ? readFileSync(out, 'utf8')
        .split('\n')
        .filter(Boolean)
        .map((line) => JSON.parse(line).key)
    : [],
);
const there = all.filter(({ path }) => new RegExp(place).test(relative(root, path)));
const chosen = there.filter(
  (constant, index) =>
    index >= Number(first) && (index - Number(first)) % Number(every) === 0 && !tried.has(key(constant)),
);
process.stdout.write(`${chosen.length} of ${there.length} constants\n`);

const alteredValue = (value) =>
  Number.isInteger(value) && Math.abs(value) < 50 ? value + 1 : Number((value * 1.02).toPrecision(12));

/** Text of a module with each constant written as what `write` says. */
const rewritten = (text, constants, write) =>
  constants.reduceRight(
    (so, constant) => so.slice(0, constant.from) + write(constant) + so.slice(constant.to),
    text,
  );

const seenIn = mkdtempSync(join(tmpdir(), 'constants-seen-'));
let altered;
let isLearning = true;
const plugin = {
  name: 'altered-constants',
  enforce: 'pre',
  transform(text, id) {
    const constants = byPath.get(id.split('?')[0]);
    if (!constants) return null;
    const code = isLearning
      ? rewritten(text, constants, (c) => ` globalThis.__constant(${c.id}, ${c.value})`)
      : altered && constants.includes(altered)
        ? rewritten(text, [altered], (c) => ` ${alteredValue(c.value)}`)
        : null;
    return code === null ? null : { code, map: null };
  },
};

const durations = new Map();
/** Values from outside, all in one file: what they hold they hold whatever else reads it. */
const isOutside = (path) => path.endsWith('/outside-values.spec.ts');
const isBeside = (path) => altered !== undefined && dirname(path) === dirname(altered.path);
/** Tests that noticed another constant of the same file. */
const noticedIn = new Map();
const hasNoticed = (path) => altered !== undefined && noticedIn.get(altered.path)?.has(path);
/** Tests that noticed one of the same file first, then those beside it, then the values from outside, then the quickest. */
const rank = (path) =>
  (durations.get(path) ?? Infinity) -
  (hasNoticed(path) ? 2e6 : 0) -
  (isBeside(path) ? 1e6 : 0) -
  (isOutside(path) ? 5e5 : 0);
class QuickestFirst {
  shard(files) {
    return files;
  }
  sort(files) {
    return files.toSorted((a, b) => rank(a.moduleId) - rank(b.moduleId));
  }
}

const conditions = ['levamen-source', 'module', 'node', 'development|production'];
const setup = join(seenIn, 'setup.mjs');
writeFileSync(
  setup,
  `import { afterAll, expect } from 'vitest';
import { writeFileSync } from 'node:fs';
const seen = new Set();
globalThis.__constant = (id, value) => (seen.add(id), value);
afterAll(() => {
  const path = expect.getState().testPath;
  if (seen.size > 0)
    writeFileSync(${JSON.stringify(seenIn)} + '/' + encodeURIComponent(path) + '.json', JSON.stringify([...seen]));
});
`,
);
const vitest = await createVitest(
  'test',
  {
    config: false,
    root: join(root, 'core'),
    include: ['src/**/*.spec.ts'],
    environment: 'node',
    setupFiles: [setup],
    testTimeout: 180_000,
    watch: true,
    reporters: [{}],
    sequence: { sequencer: QuickestFirst },
    maxWorkers: Number(process.env.WORKERS ?? 1),
    bail: 1,
  },
  {
    resolve: { conditions },
    ssr: { resolve: { conditions } },
    plugins: [plugin],
    server: { watch: null, fs: { strict: false } },
  },
);
vitest.config.bail = 0;

async function run(specifications) {
  const { testModules } = await vitest.runTestSpecifications(specifications, true);
  return testModules;
}

const specifications = await vitest.globTestSpecifications();
const learnt = `${out}.learnt`;
if (!existsSync(learnt)) await learn();
const known = JSON.parse(readFileSync(learnt, 'utf8'));
for (const [path, ms] of known.durations) durations.set(path, ms);
const readers = new Map(known.readers);

/** Runs every test once and writes down how long it took and which constants it read. */
async function learn() {
  const modules = await run(specifications);
  const failed = modules.filter((module) => module.state() === 'failed');
  if (failed.length > 0)
    throw new Error(`Fail before anything is altered: ${failed.map((m) => m.moduleId).join(', ')}`);
  for (const module of modules) {
    const { duration, collectDuration } = module.diagnostic();
    durations.set(module.moduleId, duration + collectDuration);
  }
  const readers = new Map();
  for (const file of readdirSync(seenIn).filter((name) => name.endsWith('.json'))) {
    const path = decodeURIComponent(file.slice(0, -5));
    if (durations.get(path) > slowMs) continue;
    for (const id of JSON.parse(readFileSync(join(seenIn, file), 'utf8')))
      readers.set(id, [...(readers.get(id) ?? []), path]);
  }
  writeFileSync(learnt, JSON.stringify({ durations: [...durations], readers: [...readers] }));
}

isLearning = false;
vitest.config.bail = 1;
for (const path of byPath.keys()) vitest.invalidateFile(path);

let done = 0;
for (const constant of chosen) {
  altered = constant;
  let leftMs = askedMs;
  const paths = new Set(
    (readers.get(constant.id) ?? [])
      .toSorted((a, b) => rank(a) - rank(b))
      .filter((path) => (leftMs -= durations.get(path)) >= 0),
  );
  vitest.invalidateFile(constant.path);
  const started = Date.now();
  const asked = specifications.filter(({ moduleId }) => paths.has(moduleId));
  const after = asked.length === 0 ? [] : await run(asked);
  const by = after.find((module) => module.state() === 'failed')?.moduleId;
  if (by) noticedIn.set(constant.path, (noticedIn.get(constant.path) ?? new Set()).add(by));
  vitest.invalidateFile(constant.path);
  done += 1;
  const result = by ? 'noticed' : asked.length === 0 ? 'read by no test' : 'survived';
  appendFileSync(
    out,
    `${JSON.stringify({ key: key(constant), result, by: by && relative(root, by), ms: Date.now() - started })}\n`,
  );
  process.stdout.write(`${done}/${chosen.length} ${result} ${key(constant)}\n`);
}
await vitest.close();
process.exit(0);
