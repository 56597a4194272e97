import type { Express } from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { type AppParts, makeApp } from '../http/app.js';
import { PaperQueue } from '../papers/paper-queue.js';
import { openTestDatabase, type TestDatabase } from './test-database.js';

export interface TestApp {
  readonly database: TestDatabase;
  readonly app: Express;
  readonly agent: ReturnType<typeof request>;
  /** Another visitor, with cookies of his own. */
  readonly visitor: () => ReturnType<typeof request.agent>;
}

/**
 * The application on an empty database, without a page and without a log.
 *
 * @param more parts of another kind
 * @param accounts people sign in; else whoever asks is the owner, as in the demo
 */
export async function openTestApp(accounts = false, more: Partial<AppParts> = {}): Promise<TestApp> {
  const database = await openTestDatabase();
  const logger = pino({ level: 'silent' });
  const queue = new PaperQueue(database.source, logger);
  const app = makeApp({
    source: database.source,
    logger,
    queue,
    // A refusal for too many requests proves nothing.
    requestsPerMinute: 100_000_000,
    accounts: accounts ? { secret: 'of a test', secure: false } : null,
    ...more,
  });
  const close = async (): Promise<void> => {
    await queue.stop();
    await database.close();
  };
  return { database: { ...database, close }, app, agent: request(app), visitor: () => request.agent(app) };
}
