import pg from 'pg';
import { migrateQueue } from '../queue/migrate-queue.js';
import { grantTo } from './grants.js';
import { makeDataSource, migrations } from './data-source.js';

/** Any number, the same in every server: two that start at once migrate one after the other. */
const migrationLock = 7_240_001;

/** The database was used by a newer program than this one. */
export class NewerDatabase extends Error {}

/**
 * Brings the database up to this program's form, and gives the program's role its rights.
 *
 * @param ownerUrl connects as the role that owns the tables
 * @param appRole the role the program works as
 * @throws NewerDatabase where it holds migrations this program does not know; nothing is changed then
 */
export async function migrate(ownerUrl: string, appRole: string): Promise<void> {
  const guard = new pg.Client({ connectionString: ownerUrl });
  await guard.connect();
  try {
    await guard.query('SELECT pg_advisory_lock($1)', [migrationLock]);
    await refuseNewer(guard);
    const source = await makeDataSource(ownerUrl, { poolSize: 2, statementTimeoutMs: 0 }).initialize();
    try {
      await source.runMigrations({ transaction: 'all' });
      await grantTo(source, appRole);
      await migrateQueue(ownerUrl, appRole);
    } finally {
      await source.destroy();
    }
  } finally {
    // Ending the connection lets go of the lock.
    await guard.end();
  }
}

async function refuseNewer(client: pg.Client): Promise<void> {
  const { rows } = await client.query<{ there: string | null }>(
    "SELECT to_regclass('public.migration') AS there",
  );
  if (rows[0]?.there === null) return;
  const known = new Set(migrations.map(({ name }) => name));
  const done = await client.query<{ name: string }>('SELECT name FROM migration');
  const unknown = done.rows.filter(({ name }) => !known.has(name)).map(({ name }) => name);
  if (unknown.length > 0) {
    throw new NewerDatabase(
      `The database was used by a newer Levamen (it knows ${unknown.join(', ')}). Update this one, or restore a backup made by this version.`,
    );
  }
}
