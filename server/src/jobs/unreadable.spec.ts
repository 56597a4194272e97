import { demoJobs, type Job, newJob } from '@levamen/core/job';
import { type SavedJob, unreadableJobSchema } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeDataSource } from '../store/data-source.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

/** A job whose last revision the database holds but no schema takes, as a broken program of once might have left it. */
async function spoilt(document: object): Promise<string> {
  const made = await test.agent.post('/api/jobs').send({ document: newJob('Spoilt') });
  const { id } = made.body as SavedJob;
  const owner = await makeDataSource(test.database.ownerUrl).initialize();
  await owner.query(
    `INSERT INTO job_revision (job_id, revision, workspace_id, save_id, document, version)
     SELECT id, 2, workspace_id, gen_random_uuid(), $2, 5 FROM job WHERE id = $1`,
    [id, JSON.stringify(document)],
  );
  await owner.query('UPDATE job SET head_revision = 2 WHERE id = $1', [id]);
  await owner.destroy();
  return id;
}
const broken = {
  ...demoJobs[0]!.job,
  name: 'Spoilt',
  brief: { ...demoJobs[0]!.job.brief, requiredRuntimeH: -4 },
};

describe('a stored job that is not valid any more', () => {
  it('is listed, downloaded and exported as it is, and says which ways there are on', async () => {
    const id = await spoilt(broken);
    const answer = await test.agent.get(`/api/jobs/${id}`).expect(422);
    const { unreadable, problems } = unreadableJobSchema.parse(JSON.parse(answer.text));
    expect(problems).toEqual([{ path: 'brief.requiredRuntimeH', message: 'Enter at least 0.5 h' }]);
    expect(unreadable).toMatchObject({
      revision: 2,
      lastReadable: 1,
      mended: { places: ['brief.requiredRuntimeH'] },
    });
    expect((await test.agent.get('/api/jobs?search=Spoilt').expect(200)).text).toContain(id);
    for (const way of ['raw', 'export'])
      expect(JSON.parse((await test.agent.get(`/api/jobs/${id}/${way}`).expect(200)).text)).toEqual(broken);
    await test.agent.get(`/api/jobs/${id}/revisions`).expect(200);
    await test.agent.get(`/api/jobs/${id}/revisions/1`).expect(200);
    await test.agent.get(`/api/jobs/${id}/revisions/2`).expect(422);
    await test.agent.post(`/api/jobs/${id}/duplicate`).expect(422);
  });

  it('is mended by a save, and the broken revision stays', async () => {
    const id = await spoilt(broken);
    const { unreadable } = unreadableJobSchema.parse(
      JSON.parse((await test.agent.get(`/api/jobs/${id}`)).text),
    );
    const document: Job = unreadable.mended!.document;
    await test.agent
      .put(`/api/jobs/${id}`)
      .send({ baseRevision: 2, saveId: crypto.randomUUID(), document })
      .expect(200);
    expect((await test.agent.get(`/api/jobs/${id}`).expect(200)).body).toMatchObject({
      revision: 3,
      document,
    });
  });

  it('that is no job at all can still be taken away', async () => {
    const id = await spoilt({ hello: 'world' });
    expect(
      unreadableJobSchema.parse(JSON.parse((await test.agent.get(`/api/jobs/${id}`)).text)).unreadable.mended,
    ).toBeNull();
    await test.agent.delete(`/api/jobs/${id}`).expect(204);
  });
});
