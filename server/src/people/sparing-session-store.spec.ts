import type { SessionData } from 'express-session';
import { afterAll, afterEach, beforeAll, expect, it, vi } from 'vitest';
import { poolOf } from '../store/pool-of.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { SparingSessionStore } from './sparing-session-store.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp(true);
});
afterAll(() => test.database.close());
afterEach(() => vi.restoreAllMocks());

const minuteMs = 60_000;
const lastingUntil = (ms: number) => ({ cookie: { expires: new Date(ms) } }) as unknown as SessionData;

it('tells a session to live on once in five minutes, not with every request', async () => {
  const store = new SparingSessionStore({
    pool: poolOf(test.database.source),
    tableName: 'session',
    pruneSessionInterval: false,
  });
  const touch = (ms: number) => new Promise<void>((done) => store.touch('a', lastingUntil(ms), done));
  const expireMs = async () => {
    const [row] = await test.database.source.query<{ ms: string }[]>(
      `SELECT extract(epoch FROM expire) * 1000 AS ms FROM session WHERE sid = 'a'`,
    );
    return Math.round(Number(row?.ms) / 1000) * 1000;
  };
  const start = Math.floor(Date.now() / 1000) * 1000;
  await new Promise((done) => store.set('a', lastingUntil(start + 60 * minuteMs), done));
  const now = vi.spyOn(Date, 'now');

  now.mockReturnValue(start);
  await touch(start + 61 * minuteMs);
  expect(await expireMs()).toBe(start + 61 * minuteMs);
  now.mockReturnValue(start + 4 * minuteMs);
  await touch(start + 65 * minuteMs);
  expect(await expireMs()).toBe(start + 61 * minuteMs);
  now.mockReturnValue(start + 5 * minuteMs);
  await touch(start + 66 * minuteMs);
  expect(await expireMs()).toBe(start + 66 * minuteMs);
});
