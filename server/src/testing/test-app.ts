import { pino } from 'pino';
import request from 'supertest';
import { makeApp } from '../http/app.js';
import { openTestDatabase, type TestDatabase } from './test-database.js';

export interface TestApp {
  readonly database: TestDatabase;
  readonly agent: ReturnType<typeof request>;
}

/** The application on an empty database, without a page and without a log. */
export async function openTestApp(): Promise<TestApp> {
  const database = await openTestDatabase();
  const app = makeApp({
    source: database.source,
    logger: pino({ level: 'silent' }),
    // A refusal for too many requests proves nothing.
    requestsPerMinute: 1_000_000,
  });
  return { database, agent: request(app) };
}
