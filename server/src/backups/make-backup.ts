import { spawn } from 'node:child_process';
import { mkdir, readdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import type { BackupSettings } from './backup-settings.js';
import { keptBackups } from './kept-backups.js';

/** What came of a backup. */
export interface BackupOutcome {
  readonly isGood: boolean;
  /** In words: where it lies, or why there is none. */
  readonly says: string;
  readonly bytes: number | null;
  /** It was taken away, too; null = nobody asked for that. */
  readonly isSent: boolean | null;
}

/** Runs a program to its end: whether it went well, and the end of what it said. */
export type RunProgram = (
  command: string,
  args: readonly string[],
) => Promise<{ readonly isGood: boolean; readonly said: string }>;

/** What is said of one that failed is no longer. */
const mostSaid = 500;
const backupName = /^levamen-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})Z\.tar$/;

export const runProgram: RunProgram = (command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    const hear = (data: Buffer): void => void (said = `${said}${data.toString()}`.slice(-4 * mostSaid));
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('error', (error) => resolve({ isGood: false, said: error.message }));
    child.once('close', (code) => resolve({ isGood: code === 0, said }));
  });

const nameAt = (now: Date): string => `levamen-${now.toISOString().slice(0, 19).replaceAll(':', '')}Z.tar`;

/** The moment a file of the folder was made; null = it is none of ours. */
export function backupMadeAt(name: string): Date | null {
  const match = backupName.exec(name);
  return match && new Date(`${match[1]}T${match[2]}:${match[3]}:${match[4]}Z`);
}

/**
 * Makes a backup in the folder, which is read back and compared before it counts; takes it away where a command is named; and removes those
 * whose time is over. Older ones go only when a new one is good.
 *
 * @param run runs a program to its end
 */
export async function makeBackup(
  { folder, keep, send }: Pick<BackupSettings, 'folder' | 'keep' | 'send'>,
  now: Date,
  run: RunProgram = runProgram,
): Promise<BackupOutcome> {
  const file = path.join(folder, nameAt(now));
  const failed = (says: string): BackupOutcome => ({
    isGood: false,
    says: says.trim().slice(-mostSaid),
    bytes: null,
    isSent: null,
  });
  try {
    await mkdir(folder, { recursive: true, mode: 0o700 });
  } catch (error) {
    return failed(`The folder of backups cannot be made: ${error instanceof Error ? error.message : ''}`);
  }
  const made = await run('node', ['scripts/backup.mjs', 'backup', file]);
  if (!made.isGood) return failed(made.said || 'The backup was not made.');
  const { size } = await stat(file);
  const sent = send === null ? null : await run('sh', ['-c', `${send} "$1"`, 'sh', file]);
  const files = (await readdir(folder)).flatMap((name) => {
    const at = backupMadeAt(name);
    return at ? [{ name, at }] : [];
  });
  const kept = keptBackups(files, keep);
  for (const { name } of files) if (!kept.has(name)) await rm(path.join(folder, name), { force: true });
  const away =
    sent === null ? '' : sent.isGood ? ' and taken away' : `, but not taken away: ${sent.said.trim()}`;
  return {
    isGood: true,
    says: `${file}, read back and compared${away}`.slice(0, mostSaid),
    bytes: size,
    isSent: sent && sent.isGood,
  };
}
