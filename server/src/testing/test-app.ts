import type { Express } from 'express';
import { pino } from 'pino';
import request from 'supertest';
import { Events } from '../events/events.js';
import { type AppParts, makeApp } from '../http/app.js';
import { WorkQueue } from '../queue/work-queue.js';
import { worksOf } from '../queue/works.js';
import { makeDataSource } from '../store/data-source.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { makeGroundPool } from '../store/ground-pool.js';
import { fence } from '../workspaces/fence.js';
import { openTestDatabase, type TestDatabase } from './test-database.js';

/** One server of a database. */
export interface TestServer {
  readonly app: Express;
  readonly events: Events;
  readonly agent: ReturnType<typeof request>;
  /** Another visitor, with cookies of his own. */
  readonly visitor: () => ReturnType<typeof request.agent>;
}

export interface TestApp extends TestServer {
  readonly database: TestDatabase;
  /** Another server on the same database, with connections of its own. */
  readonly another: (more?: Partial<AppParts>) => Promise<TestServer & { close(): Promise<void> }>;
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

  const open = async (
    source: TestDatabase['source'],
    others: Partial<AppParts>,
  ): Promise<TestServer & { close(): Promise<void> }> => {
    const queue = new WorkQueue(source, logger, worksOf(source, logger));
    const ground = makeGroundPool(database.url, () => undefined);
    const events = new Events(database.url, ground, () => undefined);
    events.start();
    const app = makeApp({
      source,
      logger,
      queue,
      ground,
      events,
      // A refusal for too many requests proves nothing.
      requestsPerMinute: 100_000_000,
      accounts: accounts ? { secret: 'of a test', secure: false } : null,
      ...others,
    });
    const close = async (): Promise<void> => {
      await queue.stop();
      await events.close();
      await ground.end();
    };
    return { app, events, agent: request(app), visitor: () => request.agent(app), close };
  };

  const another: TestApp['another'] = async (others = {}) => {
    const source = await makeDataSource(database.url).initialize();
    fence(source, { workspaceId: defaultWorkspaceId, accountId: null });
    const opened = await open(source, others);
    return {
      ...opened,
      close: async () => {
        await opened.close();
        await source.destroy();
      },
    };
  };

  const { close: closeFirst, ...first } = await open(database.source, more);
  const close = async (): Promise<void> => {
    await closeFirst();
    await database.close();
  };
  return { ...first, another, database: { ...database, close } };
}
