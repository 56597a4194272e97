import { randomBytes } from 'node:crypto';
import pg from 'pg';
import type { DataSource } from 'typeorm';
import { makeDataSource } from '../store/data-source.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { fence } from '../workspaces/fence.js';
import { migrate } from '../store/migrate.js';

/** A database of its own for one test file. */
export interface TestDatabase {
  /** Connects as the program's own role. */
  readonly url: string;
  /** Connects as the role that owns the tables. */
  readonly ownerUrl: string;
  readonly source: DataSource;
  close(): Promise<void>;
}

const urlOf = (name: string): string => {
  const url = process.env[name];
  if (!url) throw new Error('Run the server tests with ./levamen test: they need its database cluster');
  return url;
};
const at = (url: string, database: string): string =>
  Object.assign(new URL(url), { pathname: `/${database}` }).href;

/** Runs one statement as the administrator of the test cluster. */
async function asAdministrator(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: urlOf('LEVAMEN_TEST_DATABASE_URL') });
  await client.connect();
  await client.query(statement);
  await client.end();
}

/** Creates an empty database that belongs to the owning role, without a table. */
export async function createTestDatabase(): Promise<Omit<TestDatabase, 'source'>> {
  const name = `test_${randomBytes(6).toString('hex')}`;
  await asAdministrator(`CREATE DATABASE ${name} OWNER levamen_owner`);
  return {
    url: at(urlOf('LEVAMEN_TEST_APP_URL'), name),
    ownerUrl: at(urlOf('LEVAMEN_TEST_OWNER_URL'), name),
    close: () => asAdministrator(`DROP DATABASE ${name} WITH (FORCE)`),
  };
}

/** Creates an empty, migrated database in the test cluster that `./levamen test` has started, used as the program uses its own. */
export async function openTestDatabase(): Promise<TestDatabase> {
  const { url, ownerUrl, close } = await createTestDatabase();
  await migrate(ownerUrl, 'levamen_app');
  const source = await makeDataSource(url).initialize();
  fence(source, { workspaceId: defaultWorkspaceId, accountId: null });
  return {
    url,
    ownerUrl,
    source,
    async close() {
      await source.destroy();
      await close();
    },
  };
}
