import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { actingFor } from './fence.js';

let database: TestDatabase;
let other: pg.Client;

beforeAll(async () => {
  database = await openTestDatabase();
  other = new pg.Client({ connectionString: database.url });
  await other.connect();
});
afterAll(async () => {
  await other.end();
  await database.close();
});

const ask = (): Promise<unknown> =>
  actingFor({ workspaceId: randomUUID(), accountId: null }, () => database.source.query('SELECT 1'));

describe('connections that act for somebody', () => {
  it('may be lost at any moment: what ran on them fails, and the program goes on', async () => {
    // An error that nobody hears fails the whole file.
    for (let round = 0; round < 150; round += 1) {
      const asked = Promise.allSettled(Array.from({ length: 6 }, ask));
      await new Promise((resolve) => setTimeout(resolve, round % 6));
      await other.query(
        'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE usename = current_user AND datname = current_database() AND pid <> pg_backend_pid()',
      );
      await asked;
    }
    await expect(ask()).resolves.toEqual([{ '?column?': 1 }]);
  });
});
