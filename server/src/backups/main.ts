import { setTimeout as pause } from 'node:timers/promises';
import { pino } from 'pino';
import { backupDue } from './backup-due.js';
import { BackupLog } from './backup-log.js';
import { readBackupSettings } from './backup-settings.js';
import { makeBackup } from './make-backup.js';

/** It is looked at the clock so often, ms. */
const everyMs = 60_000;

const logger = pino({ name: 'backups', level: process.env['LEVAMEN_LOG_LEVEL'] ?? 'warn' });
const stopping = new AbortController();
process.once('SIGTERM', () => stopping.abort());
process.once('SIGINT', () => stopping.abort());

const settings = (() => {
  try {
    return readBackupSettings(process.env);
  } catch (error) {
    process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
    // Starting again would not help.
    process.exit(2);
  }
})();
const log = new BackupLog(settings.databaseUrl);

while (!stopping.signal.aborted) {
  try {
    await log.alone(async ({ good, tried }, note) => {
      const now = new Date();
      if (!backupDue(now, settings.at, good, tried)) return;
      const outcome = await makeBackup(settings, now);
      await note(outcome);
      if (!outcome.isGood || outcome.isSent === false) logger.error({ says: outcome.says }, 'backup');
      else logger.info({ says: outcome.says }, 'backup');
    });
  } catch (error) {
    // The database is away for a moment, or is being brought up to date.
    logger.warn({ err: error instanceof Error ? error.message : String(error) }, 'backups wait');
  }
  await pause(everyMs, undefined, { signal: stopping.signal }).catch(() => undefined);
}
