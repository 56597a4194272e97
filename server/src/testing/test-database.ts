import { randomBytes } from 'node:crypto';
import pg from 'pg';
import type { DataSource } from 'typeorm';
import { makeDataSource } from '../store/data-source.js';

/** A database of its own for one test file. */
export interface TestDatabase {
  readonly url: string;
  readonly source: DataSource;
  close(): Promise<void>;
}

/** Creates an empty, migrated database in the test cluster that `./levamen test` has started. */
export async function openTestDatabase(): Promise<TestDatabase> {
  const base = process.env['LEVAMEN_TEST_DATABASE_URL'];
  if (!base) throw new Error('Run the server tests with ./levamen test: they need its database cluster');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const admin = async (statement: string): Promise<void> => {
    const client = new pg.Client({ connectionString: base });
    await client.connect();
    await client.query(statement);
    await client.end();
  };
  await admin(`CREATE DATABASE ${name}`);
  const url = Object.assign(new URL(base), { pathname: `/${name}` }).href;
  const source = await makeDataSource(url).initialize();
  await source.runMigrations({ transaction: 'all' });
  return {
    url,
    source,
    async close() {
      await source.destroy();
      await admin(`DROP DATABASE ${name} WITH (FORCE)`);
    },
  };
}
