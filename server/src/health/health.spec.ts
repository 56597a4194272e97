import { readinessSchema } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { routeLabel } from './route-label.js';

let test: TestApp;
const stopping = new AbortController();
const metricsToken = 'a token of sixteen or more'.replaceAll(' ', '-');
beforeAll(async () => {
  test = await openTestApp(false, { stopping: stopping.signal, metricsToken });
});
afterAll(() => test.database.close());

const readiness = async (): Promise<{ status: number; waitsFor: readonly string[] }> => {
  const { status, body } = await test.agent.get('/api/ready');
  const { ready, waitsFor } = readinessSchema.parse(body);
  expect(ready).toBe(status === 200);
  return { status, waitsFor };
};

describe('what is measured', () => {
  it('counts requests by their routes, and names nobody and nothing in them', async () => {
    const made = await test.agent
      .post('/api/jobs')
      .send({ document: newJob('House') })
      .expect(201);
    const { id } = made.body as { id: string };
    const link = 'SecretSecretSecretSecret';
    await test.agent.get(`/api/jobs/${id}`).expect(200);
    await test.agent.get(`/api/given/${link}`);
    await test.agent.get(`/api/nothing/${id}`).expect(404);
    await test.agent
      .put(`/api/jobs/${id}`)
      .send({ baseRevision: 1, saveId: crypto.randomUUID(), document: newJob('Other') })
      .expect(200);
    const { text } = await test.agent
      .get('/metrics')
      .expect(200)
      .expect('Content-Type', /^text\/plain/);
    expect(text).toMatch(
      /levamen_request_duration_seconds_count\{method="GET",route="\/api\/jobs\/:id",status="200"\} 1/,
    );
    expect(text).toMatch(/levamen_saves_total\{outcome="200"\} 1/);
    expect(text).toMatch(/levamen_work_waiting\{kind="papers"\} 0/);
    expect(text).toMatch(/levamen_database_connections\{pool="jobs",state="open"\} \d/);
    expect(text).toContain('process_resident_memory_bytes');
    expect(text).not.toContain(id);
    expect(text).not.toContain(link);
  });

  it('is shown on this machine, or to whoever has the token', async () => {
    const through = { 'x-forwarded-for': '203.0.113.9' };
    await test.agent.get('/metrics').set(through).expect(404);
    await test.agent
      .get('/metrics')
      .set({ ...through, Authorization: 'Bearer wrong' })
      .expect(404);
    await test.agent
      .get('/metrics')
      .set({ ...through, Authorization: `Bearer ${metricsToken}` })
      .expect(200);
  });

  it('goes by the route', () => {
    const label = (path: string, route: unknown = {}) => routeLabel({ baseUrl: '/api', path, route });
    expect(label('/jobs/')).toBe('/api/jobs');
    expect(label(`/jobs/0fb0e0b8-5d4f-4bd0-8d5e-0a4e5f2b6c11/photos/${'a'.repeat(64)}`)).toBe(
      '/api/jobs/:id/photos/:digest',
    );
    expect(label('/jobs/revisions/12')).toBe('/api/jobs/revisions/:number');
    expect(label('/whatever', null)).toBe('unknown');
  });
});

describe('every request', () => {
  it('has a name that the log knows it by', async () => {
    const ids = await Promise.all(
      [1, 2].map(async () => (await test.agent.get('/api/health')).headers['x-request-id'] as string),
    );
    expect(ids[0]).toMatch(/^[0-9a-f-]{36}$/);
    expect(ids[0]).not.toBe(ids[1]);
  });
});

describe('a server', () => {
  it('is ready while it hears the database and the others, and until it is told to stop', async () => {
    await expect.poll(async () => (await readiness()).waitsFor).toEqual([]);
    await test.events.close();
    const other = await test.another();
    await expect.poll(() => other.events.isListening).toBe(true);
    await other.agent.get('/api/ready').expect(200);
    await other.close();
    stopping.abort();
    expect(await readiness()).toMatchObject({ status: 503 });
    expect((await readiness()).waitsFor).toContain('it is stopping');
    // What was asked before is answered all the same.
    await test.agent.get('/api/health').expect(200);
  });
});
