import pg from 'pg';
import type { BackupOutcome } from './make-backup.js';

/** When backups were made last. */
export interface LastBackups {
  /** The last good one; before there is one, since when there is something to be kept. */
  readonly good: Date | null;
  readonly tried: Date | null;
}

/** One backup at a time, however many programs share the database. */
const backupLock = 4_780_001;

/** What came of backups, in the database they are of. */
export class BackupLog {
  constructor(private readonly databaseUrl: string) {}

  /**
   * Does something while nobody else makes a backup of this database.
   *
   * @returns null where somebody does
   */
  async alone<T>(
    work: (last: LastBackups, note: (outcome: BackupOutcome) => Promise<void>) => Promise<T>,
  ): Promise<T | null> {
    const client = new pg.Client({ connectionString: this.databaseUrl });
    await client.connect();
    try {
      const { rows } = await client.query<{ got: boolean }>('SELECT pg_try_advisory_lock($1) AS got', [
        backupLock,
      ]);
      if (!rows[0]!.got) return null;
      const last = await client.query<{ good: Date | null; tried: Date | null }>(
        `SELECT coalesce((SELECT at FROM backup_run WHERE is_good ORDER BY id DESC LIMIT 1), (SELECT min(created_at) FROM workspace)) AS good,
                (SELECT at FROM backup_run ORDER BY id DESC LIMIT 1) AS tried`,
      );
      return await work(last.rows[0]!, async ({ isGood, says, bytes, isSent }) => {
        await client.query('INSERT INTO backup_run (is_good, says, bytes, is_sent) VALUES ($1, $2, $3, $4)', [
          isGood,
          says,
          bytes,
          isSent,
        ]);
      });
    } finally {
      await client.end();
    }
  }
}
