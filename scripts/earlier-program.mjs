// An earlier program beside this one, to measure both in one run: times differ from machine to machine, ratios hardly do.
//   node scripts/earlier-program.mjs COMMIT FOLDER [core|server]...
import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const git = (...words) => execFileSync('git', words, { cwd: root, encoding: 'utf8' }).trim();

/** What there is to say of a commit: its hash and its day. */
export const named = (commit) => git('log', '-1', '--format=%h of %cs', commit);

/**
 * Checks out a commit into a folder that is not there, or empty, with packages of its own, and compiles what is asked for.
 *
 * @param {readonly string[]} projects "core", "server"
 */
export function makeEarlierProgram(commit, folder, projects) {
  git('worktree', 'add', '--detach', '--force', folder, commit);
  const run = (...words) => execFileSync(words[0], words.slice(1), { cwd: folder, stdio: 'inherit' });
  run('npm', 'ci', '--prefer-offline', '--no-audit', '--no-fund', '--loglevel=error');
  run('npx', '--no-install', 'tsc', '-b', ...projects);
}

/** Takes the folder away again. */
export function removeEarlierProgram(folder) {
  rmSync(folder, { recursive: true, force: true });
  git('worktree', 'prune');
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [, , commit, folder, ...projects] = process.argv;
  if (commit === 'remove') removeEarlierProgram(folder);
  else makeEarlierProgram(commit, folder, projects);
}
