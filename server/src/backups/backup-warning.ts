import type { BackupRunRow } from './backup-entity.js';

/** A daily backup that is older than this was missed, ms. */
const oldMs = 36 * 3_600_000;

const daysText = (ms: number): string => {
  const hours = Math.round(ms / 3_600_000);
  return hours < 48 ? `${hours} hours` : `${Math.round(hours / 24)} days`;
};

/**
 * What somebody should know of the backups; '' = all is well.
 *
 * @param good when the last good one was made; null = there is none
 * @param last the last one that was tried
 * @param since since when there is something to be kept
 */
export function backupWarning(
  now: Date,
  good: Date | null,
  last: Pick<BackupRunRow, 'isGood' | 'says' | 'isSent'> | null,
  since: Date,
): string {
  const age = now.getTime() - (good ?? since).getTime();
  const why = last && !last.isGood ? ` The last one that was tried failed: ${last.says}` : '';
  if (age > oldMs) {
    const text =
      good === null
        ? 'There is no good backup of these jobs.'
        : `The last good backup is ${daysText(age)} old.`;
    return text + why;
  }
  if (why !== '') return `A backup failed.${why}`;
  return last?.isSent === false ? `The last backup stayed on this machine: ${last.says}` : '';
}
