import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, symlinkSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const git = (...words) => execFileSync('git', words, { cwd: root, encoding: 'utf8' }).trim();
const timesOf = (folder) =>
  JSON.parse(
    execFileSync('node', [join(root, 'scripts/bench-core.mjs'), join(folder, 'core')], { encoding: 'utf8' }),
  );

/**
 * Rows that hold core as it is against core as it was, both measured in this run and in turns: times differ from machine to
 * machine, ratios hardly do. Before: LEVAMEN_BENCH_AGAINST, or the commit before the last one that changed core.
 */
export function benchAgainst() {
  const lastChanges = git('log', '-2', '--format=%h', '--', 'core/src').split('\n');
  const against = process.env.LEVAMEN_BENCH_AGAINST ?? lastChanges.at(-1);
  const folder = mkdtempSync(join(tmpdir(), 'levamen-before-'));
  try {
    git('worktree', 'add', '--detach', folder, against);
    symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
    execFileSync('npx', ['tsc', '-b', 'core'], { cwd: folder, stdio: 'ignore' });
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
    return {
      against: git('log', '-1', '--format=%h of %cs', against),
      rows: Object.entries(now).map(([name, ms]) =>
        name in before
          ? `| ${name} | ${ms.toFixed(1)} ms | ${before[name].toFixed(1)} ms | ${(ms / before[name]).toFixed(2)} |`
          : `| ${name} | ${ms.toFixed(1)} ms | not there | |`,
      ),
    };
  } finally {
    execFileSync('git', ['worktree', 'remove', '--force', folder], { cwd: root });
    rmSync(folder, { recursive: true, force: true });
  }
}
