import { randomUUID } from 'node:crypto';
import { demoJobs, type Job, newJob } from '@levamen/core/job';
import {
  conflictSchema,
  jobPageSchema,
  problemSchema,
  type SavedJob,
  savedJobSchema,
  whoHeaders,
} from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let app: TestApp;
beforeAll(async () => {
  app = await openTestApp();
});
afterAll(() => app.database.close());

const create = async (document: Job = newJob('House')): Promise<SavedJob> => {
  const response = await app.agent.post('/api/jobs').send({ document }).expect(201);
  return savedJobSchema.parse(response.body);
};
const save = (id: string, baseRevision: number, document: unknown, saveId: string = randomUUID()) =>
  app.agent.put(`/api/jobs/${id}`).send({ baseRevision, saveId, document });
const problemOf = (response: { text: string }) => problemSchema.loose().parse(JSON.parse(response.text));

describe('jobs', () => {
  it('are created, listed, read and saved', async () => {
    const job = await create(newJob('First'));
    expect(job.revision).toBe(1);
    const saved = await save(job.id, 1, { ...job.document, name: 'Renamed' }).expect(200);
    expect(saved.body).toMatchObject({ revision: 2 });
    const read = savedJobSchema.parse((await app.agent.get(`/api/jobs/${job.id}`).expect(200)).body);
    expect(read).toMatchObject({ revision: 2, document: { name: 'Renamed' } });
    const list = jobPageSchema.parse((await app.agent.get('/api/jobs').expect(200)).body);
    expect(list.rows.find(({ id }) => id === job.id)).toMatchObject({
      name: 'Renamed',
      loadCount: 0,
      revision: 2,
    });
  });

  it('keep the document to the last digit', async () => {
    for (const { job } of demoJobs) expect((await create(job)).document).toEqual(job);
  });

  it('are duplicated', async () => {
    const job = await create(newJob('Original'));
    const copy = savedJobSchema.parse(
      (await app.agent.post(`/api/jobs/${job.id}/duplicate`).expect(201)).body,
    );
    expect(copy).toMatchObject({ revision: 1, document: { name: 'Original (copy)' } });
    expect(copy.id).not.toBe(job.id);
  });

  it('are deleted and brought back', async () => {
    const job = await create();
    await app.agent.delete(`/api/jobs/${job.id}`).expect(204);
    await app.agent.get(`/api/jobs/${job.id}`).expect(404);
    await save(job.id, 1, job.document).expect(404);
    await app.agent.delete(`/api/jobs/${job.id}`).expect(404);
    const list = jobPageSchema.parse((await app.agent.get('/api/jobs')).body);
    expect(list.rows.some(({ id }) => id === job.id)).toBe(false);
    await app.agent.post(`/api/jobs/${job.id}/restore`).expect(200);
    expect(savedJobSchema.parse((await app.agent.get(`/api/jobs/${job.id}`).expect(200)).body)).toEqual(job);
  });

  it('are exported and imported as the same document', async () => {
    const job = await create({ ...demoJobs[0]!.job, name: 'Haus „Süd“ / ½' });
    const file = await app.agent.get(`/api/jobs/${job.id}/export`).expect(200);
    expect(file.headers['content-disposition']).toMatch(/attachment; filename=.*\.levamen\.json/);
    const imported = await app.agent.post('/api/jobs/import').type('json').send(file.text).expect(201);
    expect(savedJobSchema.parse(imported.body).document).toEqual(job.document);
  });

  it('keep every revision', async () => {
    const job = await create(newJob('One'));
    await save(job.id, 1, newJob('Two')).expect(200);
    await save(job.id, 2, newJob('Three')).expect(200);
    const list = await app.agent.get(`/api/jobs/${job.id}/revisions`).expect(200);
    expect((list.body as { revision: number }[]).map(({ revision }) => revision)).toEqual([3, 2, 1]);
    const second = await app.agent.get(`/api/jobs/${job.id}/revisions/2`).expect(200);
    expect(second.body).toMatchObject({ revision: 2, document: { name: 'Two' } });
    await app.agent.get(`/api/jobs/${job.id}/revisions/9`).expect(404);
    await app.agent.get(`/api/jobs/${job.id}/revisions/x`).expect(404);
  });
});

describe('a stale save', () => {
  it('gets 409 with what was saved, by whom, and what both started from', async () => {
    const job = await create(newJob('Base'));
    await save(job.id, 1, newJob('Theirs'))
      .set(whoHeaders.actor, encodeURIComponent('Zoë'))
      .set(whoHeaders.device, 'tablet')
      .expect(200);
    const response = await save(job.id, 1, newJob('Mine')).expect(409);
    const conflict = conflictSchema.parse(JSON.parse(response.text));
    expect([conflict.theirs.document.name, conflict.base?.name]).toEqual(['Theirs', 'Base']);
    expect(conflict.theirs).toMatchObject({ revision: 2, actor: 'Zoë', device: 'tablet' });
    expect(conflict.detail).toContain('revision 2; yours started from 1');
  });

  it('is not one when an answer was lost and the same save is sent again', async () => {
    const job = await create();
    const saveId = randomUUID();
    const first = await save(job.id, 1, newJob('Once'), saveId).expect(200);
    const again = await save(job.id, 1, newJob('Once'), saveId).expect(200);
    expect(again.body).toEqual(first.body);
    expect((await app.agent.get(`/api/jobs/${job.id}/revisions`)).body).toHaveLength(2);
  });

  it('loses a race with exactly one winner', async () => {
    const job = await create();
    const results = await Promise.all(
      Array.from({ length: 8 }, (_, i) => save(job.id, 1, newJob(`Racer ${i}`))),
    );
    expect(results.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(results.filter(({ status }) => status === 409)).toHaveLength(7);
  });
});

describe('bad input', () => {
  it('is answered with what to change, and where', async () => {
    const document = { ...newJob('x'), brief: { ...newJob('x').brief, requiredRuntimeH: -4 } };
    const response = await app.agent.post('/api/jobs').send({ document }).expect(422);
    expect(response.headers['content-type']).toContain('application/problem+json');
    expect(problemOf(response).problems).toEqual([
      { path: 'brief.requiredRuntimeH', message: 'Enter at least 0.5 h' },
    ]);
  });

  it.each([
    ['another program', { format: 'other' }, 422, 'not made by Levamen'],
    ['a newer version', { format: 'levamen-job', version: 99 }, 422, 'newer Levamen'],
    ['a list', [], 422, 'one JSON object'],
  ])('refuses a file of %s', async (_, body, status, words) => {
    const response = await app.agent
      .post('/api/jobs/import')
      .send(body as object)
      .expect(status);
    expect(problemOf(response).detail).toContain(words);
  });

  it('refuses what is not JSON', async () => {
    const response = await app.agent.post('/api/jobs/import').type('json').send('{"name": ').expect(400);
    expect(problemOf(response).detail).toContain('not valid JSON');
    await app.agent.post('/api/jobs/import').type('text').send('hello').expect(422);
  });

  it('refuses 50 MB and 10,000 loads', async () => {
    const huge = await app.agent
      .post('/api/jobs/import')
      .type('json')
      .send(`{"name":"${'x'.repeat(50_000_000)}"}`)
      .expect(413);
    expect(problemOf(huge).detail).toContain('at most 4 MB');
    const load = demoJobs[0]!.job.loads[0]!;
    const crowd = {
      ...newJob('x'),
      loads: Array.from({ length: 10_000 }, (_, i) => ({ ...load, id: `l${i}` })),
    };
    const response = await app.agent.post('/api/jobs').send({ document: crowd });
    expect([413, 422]).toContain(response.status);
  });

  it('keeps hostile names as the text they are', async () => {
    const name = `'); DROP TABLE job; --<script>alert(1)</script>`;
    const job = await create(newJob(name));
    expect(job.document.name).toBe(name);
    expect((await app.agent.get('/api/jobs').expect(200)).text).toContain('DROP TABLE');
    const bad = await app.agent
      .post('/api/jobs')
      .send({ document: newJob('nul \u0000') })
      .expect(422);
    expect(problemOf(bad).detail).toContain('control characters');
  });

  it('knows no job by a made-up id', async () => {
    for (const id of ['nonsense', '%00', randomUUID(), "1' OR '1'='1"]) {
      await app.agent.get(`/api/jobs/${encodeURIComponent(id)}`).expect(404);
    }
    await app.agent.get('/api/jobs/%E0%A4%A').expect(400);
  });

  it('refuses a save without its revision or save id', async () => {
    const job = await create();
    const response = await app.agent.put(`/api/jobs/${job.id}`).send({ document: job.document }).expect(400);
    expect(problemOf(response).problems?.map(({ path }) => path)).toEqual(['baseRevision', 'saveId']);
    await save(job.id, 1e12, job.document).expect(400);
    await save(job.id, 7, job.document).expect(409);
  });
});
