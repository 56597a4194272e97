import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeEarlierProgram, named, removeEarlierProgram } from './earlier-program.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const timesOf = (folder) =>
  JSON.parse(
    execFileSync('node', [join(root, 'scripts/bench-core.mjs'), join(folder, 'core')], { encoding: 'utf8' }),
  );

/**
 * Times of core as it is and as it was, both measured in this run and in turns: the shortest of three rounds, in ms.
 *
 * @param {string} folder the earlier program
 * @returns {{what: string, now: number, before: number | undefined}[]}
 */
export function coreAgainst(folder) {
  const [now, before] = [{}, {}];
  for (let round = 0; round < 3; round += 1) {
    for (const [into, where] of [
      [before, folder],
      [now, root],
    ]) {
      for (const [name, ms] of Object.entries(timesOf(where)))
        into[name] = Math.min(into[name] ?? Infinity, ms);
    }
  }
  return Object.entries(now).map(([what, ms]) => ({ what, now: ms, before: before[what] }));
}

/** A row of a table of times: now, before, ratio. */
export const againstRow = ({ what, now, before }) =>
  before === undefined
    ? `| ${what} | ${now.toFixed(1)} ms | not there | |`
    : `| ${what} | ${now.toFixed(1)} ms | ${before.toFixed(1)} ms | ${(now / before).toFixed(2)} |`;

/** Rows that hold core as it is against core as it was. Before: LEVAMEN_BENCH_AGAINST, or the commit before the last one that changed core. */
export function benchAgainst() {
  const lastChanges = execFileSync('git', ['log', '-2', '--format=%h', '--', 'core/src'], {
    cwd: root,
    encoding: 'utf8',
  }).trim();
  const against = process.env.LEVAMEN_BENCH_AGAINST ?? lastChanges.split('\n').at(-1);
  const folder = mkdtempSync(join(tmpdir(), 'levamen-before-'));
  try {
    makeEarlierProgram(against, folder, ['core']);
    return { against: named(against), rows: coreAgainst(folder).map(againstRow) };
  } finally {
    removeEarlierProgram(folder);
  }
}
