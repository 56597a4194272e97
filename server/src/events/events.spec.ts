import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeGroundPool } from '../store/ground-pool.js';
import { openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { Events } from './events.js';
import type { ServerEvent } from './server-event.schema.js';

let database: TestDatabase;
let pool: pg.Pool;
const open: Events[] = [];

const server = (): { events: Events; heard: ServerEvent[]; resumed: () => number } => {
  const events = new Events(database.url, pool, () => undefined);
  const heard: ServerEvent[] = [];
  let resumed = 0;
  events.onEvent((event) => heard.push(event));
  events.onResumed(() => (resumed += 1));
  events.start();
  open.push(events);
  return { events, heard, resumed: () => resumed };
};
const saved = (revision: number): ServerEvent => ({
  about: 'job',
  jobId: randomUUID(),
  event: { kind: 'saved', revision, actor: 'Ada', device: 'tablet' },
});

beforeAll(async () => {
  database = await openTestDatabase();
  pool = makeGroundPool(database.url, () => undefined);
});
afterAll(async () => {
  for (const events of open) await events.close();
  await pool.end();
  await database.close();
});

describe('what servers of one database tell each other', () => {
  it('is heard by all of them, in order, whoever says it', async () => {
    const one = server();
    const other = server();
    await expect.poll(() => one.events.isListening && other.events.isListening).toBe(true);
    const said = Array.from({ length: 20 }, (_, index) => saved(index + 1));
    for (const [index, event] of said.entries()) {
      (index % 2 === 0 ? one : other).events.say(event);
      await expect.poll(() => one.heard.length).toBe(index + 1);
    }
    await expect.poll(() => other.heard).toEqual(said);
    expect(one.heard).toEqual(said);
  });

  it('takes one connection however much is said at once, and none of it twice', async () => {
    const { events, heard } = server();
    await expect.poll(() => events.isListening).toBe(true);
    const said = Array.from({ length: 3000 }, (_, index) => saved(index + 1));
    let most = 0;
    for (const event of said) {
      events.say(event);
      most = Math.max(most, pool.totalCount - pool.idleCount);
    }
    await expect.poll(() => heard.length).toBe(said.length);
    expect(heard).toEqual(said);
    expect(most).toBeLessThanOrEqual(1);
  });

  it('is taken as missed where lines break, again and again, and heard again afterwards', async () => {
    const { events, heard, resumed } = server();
    await expect.poll(() => events.isListening).toBe(true);
    const app = new pg.Client({ connectionString: database.url });
    await app.connect();
    for (let round = 1; round <= 5; round += 1) {
      const before = resumed();
      await app.query(
        "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name LIKE 'levamen server %' AND datname = current_database()",
      );
      await expect.poll(resumed, { timeout: 10_000 }).toBeGreaterThan(before);
      heard.length = 0;
      const event = saved(round);
      events.say(event);
      await expect.poll(() => heard).toEqual([event]);
    }
    await app.end();
  });

  it('passes over what another version says', async () => {
    const { events, heard } = server();
    await expect.poll(() => events.isListening).toBe(true);
    await pool.query("SELECT pg_notify('levamen', $1)", ['{"about":"tomorrow"}']);
    await pool.query("SELECT pg_notify('levamen', $1)", ['no JSON']);
    const event = saved(1);
    events.say(event);
    await expect.poll(() => heard).toEqual([event]);
  });
});
