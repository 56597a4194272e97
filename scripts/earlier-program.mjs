// An earlier program beside this one, to measure both in one run: times differ from machine to machine, ratios hardly do.
//   node scripts/earlier-program.mjs COMMIT FOLDER [core|server]...
import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const git = (...words) => execFileSync('git', words, { cwd: root, encoding: 'utf8' }).trim();

/** What there is to say of a commit: its hash and its day. */
export const named = (commit) => git('log', '-1', '--format=%h of %cs', commit);

/**
 * Checks out a commit into a folder that is not there, or empty, with the packages of this program, and compiles what is asked for.
 *
 * @param {readonly string[]} projects "core", "server"
 */
export function makeEarlierProgram(commit, folder, projects) {
  git('worktree', 'add', '--detach', '--force', folder, commit);
  for (const [from, to] of [
    [join(root, 'node_modules'), join(folder, 'node_modules')],
    [join(root, 'server/node_modules'), join(folder, 'server/node_modules')],
  ])
    link(from, to);
  // Its server uses its own core, not this one's.
  mkdirSync(join(folder, 'node_modules/@levamen'));
  for (const project of ['core', 'server'])
    symlinkSync(join(folder, project), join(folder, 'node_modules/@levamen', project));
  execFileSync('npx', ['tsc', '-b', ...projects], { cwd: folder, stdio: 'inherit' });
}

/** Every package by a link of its own, but for the program's. */
function link(from, to) {
  mkdirSync(to, { recursive: true });
  for (const name of readdirSync(from))
    if (name !== '@levamen') symlinkSync(join(from, name), join(to, name));
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
