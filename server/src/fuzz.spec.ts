import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { listening } from './testing/listening.js';
import { mutated, picker } from './testing/mutations.js';
import { times, writeDown } from './testing/proof.js';
import { openTestApp } from './testing/test-app.js';
import type { TestDatabase } from './testing/test-database.js';
import { asFetched, type Send, validRequests } from './testing/valid-requests.js';

let database: TestDatabase;
let line: Awaited<ReturnType<typeof listening>>;
const seed = 20_261_126;

beforeAll(async () => {
  const test = await openTestApp();
  ({ database } = test);
  line = await listening(test.app);
});
afterAll(async () => {
  await line.close();
  await database.close();
});

const send: Send = async (request) => {
  const response = await fetch(`${line.url}${request.path}`, asFetched(request));
  return { status: response.status, text: await response.text() };
};

describe('mutated valid requests', () => {
  it('are answered, never with a 500, and what is taken can be read back', async () => {
    const requests = await validRequests(send);
    for (const request of requests) expect((await send(await request())).status).not.toBe(500);
    const total = times(900, 30_000);
    const counts = new Map<number, number>();
    const begin = Date.now();
    const pick = picker(seed);
    for (let i = 0; i < total; i += 1) {
      const request = mutated(await requests[i % requests.length]!(), pick);
      const { status, text } = await send(request);
      counts.set(status, (counts.get(status) ?? 0) + 1);
      const told = `${request.method} ${request.path.slice(0, 200)} ${JSON.stringify(request.body)?.slice(0, 3000)} → ${text.slice(0, 500)}`;
      expect(status, told).toBeLessThan(500);
      expect(status, told).not.toBe(429);
      if (
        status === 201 &&
        request.path.startsWith('/api/jobs') &&
        !request.path.includes('/system/') &&
        !request.path.includes('readings')
      ) {
        const { id } = JSON.parse(text) as { id: string };
        expect((await send({ method: 'GET', path: `/api/jobs/${id}` })).status).toBe(200);
      }
    }
    expect((await send({ method: 'GET', path: '/api/health' })).status).toBe(200);
    expect((await send({ method: 'GET', path: '/api/weather' })).status).toBe(200);
    const byStatus = [...counts]
      .toSorted(([a], [b]) => a - b)
      .map(([status, count]) => `${status}: ${count}`);
    writeDown('fuzz', {
      requests: total,
      seed,
      'answers by status': byStatus.join(', '),
      seconds: Math.round((Date.now() - begin) / 1000),
    });
  }, 1_800_000);
});
