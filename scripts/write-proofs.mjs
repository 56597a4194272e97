// Writes docs/proofs.md from the figures of ./levamen prove.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { againstRow } from './bench-against.mjs';
import { indexRows } from './proof-index.mjs';

const folder = process.argv[2];

/** What each proof is, in the order of the page. */
const titles = {
  'nothing-lost': [
    'Nothing typed is lost',
    'Two devices type into one job in a browser while the server is killed, lines drop, windows close and reload. Afterwards the last value each typed is there, and every value a device was told is saved stands in a revision (`e2e/nothing-lost.test.ts`).',
  ],
  'devices-converge': [
    'Tablets without a network',
    'Three browsers with a job that was taken along make random edits and take photos without a network, and come back one after the other, in every order. The job is the same after each, but for the order of rows; every value each of them entered is there, and nobody was asked anything, since no two changed the same field (`e2e/devices-converge.test.ts`).',
  ],
  fuzz: [
    'Mutated requests',
    'Valid requests of every route, changed at one or two random places; none is answered with a 500, and every job that is taken can be read back (`server/src/fuzz.spec.ts`).',
  ],
  'fuzz-roles': [
    'Mutated requests of every role',
    'The same, and those about people and the company, sent by somebody of each role and by somebody who has not signed in, with ids of another company of the same installation among the values; none is answered with a 500, no answer holds anything of the other company, and nothing there is changed (`server/src/fuzz-roles.spec.ts`).',
  ],
  revisions: [
    'A day of editing',
    'Saves of the largest demo job, one after the other; every revision that is opened equals what was saved, to the letter (`server/src/jobs/revisions.spec.ts`). Wanted: under 20 MB, any revision in under 50 ms.',
  ],
  list: [
    'The list of jobs',
    'Wanted: the first page of 10,000 jobs in under 100 ms (`server/src/jobs/revisions.spec.ts`).',
  ],
  load: [
    'Saves under load',
    'Every page saves one field after the other, each as soon as the one before is answered (`scripts/prove-load.mjs`). Wanted: 200 a second, 95 % under 100 ms.',
  ],
  servers: [
    'Two servers behind a proxy',
    'Saves go through nginx to two servers on one database, while each server and the database are killed with SIGKILL. Everything that was acknowledged stands in the revision it was acknowledged as, and nobody is signed out (`server/src/servers.spec.ts`).',
  ],
  'whole-program': [
    'The whole program',
    'Five jobs from nothing and both of the demo, from the brief through every stage to signatures, issued papers and a logbook, in a browser on two servers behind nginx with TLS, as `docs/company/nginx.conf` says; each process is killed once on the way. Everything that was entered is there, every paper is the same byte for byte, nobody is signed out (`e2e/whole-program.test.ts`).',
  ],
  'steady-load': [
    'A company at work',
    '200 requests a second, reads and saves mixed, over 10,000 jobs; sent when their time has come, whether those before are answered or not, and counted from then on (`scripts/steady-load.mjs`). Wanted: 95 % under 50 ms on two cores, memory flat over 30 minutes.',
  ],
  'two-starts': [
    'Starts at once',
    'Two `./levamen start` at the same moment: one runs, the other says so (`server/src/commands.spec.ts`).',
  ],
};

const found = new Set(readdirSync(folder).map((name) => path.basename(name, '.json')));
const parts = Object.entries(titles)
  .filter(([name]) => found.has(name))
  .map(([name, [title, words]]) => {
    const facts = JSON.parse(readFileSync(path.join(folder, `${name}.json`), 'utf8'));
    const rows = Object.entries(facts).map(([what, figure]) => `| ${what} | ${figure} |`);
    return `## ${title}\n\n${words}\n\n| | |\n| --- | --- |\n${rows.join('\n')}\n`;
  });

/** Times of this program and of an earlier one; nothing where none was measured. */
function against() {
  if (!found.has('against')) return '';
  const {
    against: commit,
    core,
    servers,
  } = JSON.parse(readFileSync(path.join(folder, 'against.json'), 'utf8'));
  const head = '| what | now | before | ratio |\n| --- | --- | --- | --- |\n';
  return `## Times, now and before

This program and commit ${commit}, in turns in one run; a ratio above 1 is slower than before. On a machine whose cores others use, too, two runs differ by up to half. The core alone, the shortest time:

${head}${core.map(againstRow).join('\n')}

What a page asks a server for, with 2,000 jobs of the demo's size on one database cluster; medians:

${head}${servers.map(againstRow).join('\n')}

`;
}

const outsideValues = /to: (\d+),/.exec(
  readFileSync(new URL('../docs/check-values.md', import.meta.url), 'utf8'),
)[1];

const text = `# Proofs

Written by \`./levamen prove\`: what \`./levamen test\` runs a slice of, for long. Machine: ${os.cpus().length} cores, Node ${process.version}, ${new Date().toISOString().slice(0, 10)}.

Also proven, without figures of their own: merging and reading of changes by 20 times as many random cases as in the tests
(\`core/src/job/merge/merge-jobs.spec.ts\`, \`core/src/job/read-change.spec.ts\`), the first start interrupted at ten moments, killed
servers and databases, reused process ids, a full disk, backup and restore (\`server/src/commands.spec.ts\`).

Kept on pages of their own: ${outsideValues} values from outside the program that its answers are held to ([check-values.md](check-values.md)); which altered constants the tests notice
([checks.md](checks.md), at its end); each fault of commissioning against each step, over random houses ([commissioning.md](commissioning.md)).

## Wanted and reached

Measured by \`./levamen bench\` and by the scripts [performance.md](performance.md) names, where the rest of their figures stand.

| what | wanted | reached |
| --- | --- | --- |
${indexRows().join('\n')}

${against()}${parts.join('\n')}`;
writeFileSync(new URL('../docs/proofs.md', import.meta.url), text);
console.log('docs/proofs.md is written');
