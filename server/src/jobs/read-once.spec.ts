import { demoJobs } from '@levamen/core/job';
import { type SavedJob, savedJobSchema } from '@levamen/core/api';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { thisProgram } from './this-program.js';

let test: TestApp;
let owner: pg.Client;
beforeAll(async () => {
  test = await openTestApp();
  owner = new pg.Client({ connectionString: test.database.ownerUrl });
  await owner.connect();
});
afterAll(async () => {
  await owner.end();
  await test.database.close();
});

const document = demoJobs[0]!.job;
const made = async (): Promise<string> => {
  const answer = await test.agent.post('/api/jobs').send({ document }).expect(201);
  return (answer.body as SavedJob).id;
};
const opened = async (id: string): Promise<SavedJob> =>
  savedJobSchema.parse((await test.agent.get(`/api/jobs/${id}`).expect(200)).body);
const marks = async (id: string): Promise<unknown> =>
  (await owner.query('SELECT read_revision, read_by FROM job WHERE id = $1', [id])).rows[0];
const save = (id: string, baseRevision: number, patch: object[]) =>
  test.agent
    .put(`/api/jobs/${id}`)
    .send({ baseRevision, saveId: crypto.randomUUID(), supersedes: [], patch })
    .expect(200);
const renamed = (value: string) => [{ op: 'replace', path: '/name', value }];

describe('a job that this program has read', () => {
  it('is opened as it was saved, whole or as a difference, and as its revision says', async () => {
    const id = await made();
    expect(await opened(id)).toMatchObject({ revision: 1, document });
    await save(id, 1, renamed('Other'));
    expect(await marks(id)).toEqual({ read_revision: 2, read_by: thisProgram() });
    const { body } = await test.agent.get(`/api/jobs/${id}/revisions/2`).expect(200);
    expect(await opened(id)).toEqual(body);
    const other = await test.another();
    expect((await other.agent.get(`/api/jobs/${id}`).expect(200)).body).toEqual(body);
    await other.close();
  });

  it('is read once more where another program read it last, and then known', async () => {
    const id = await made();
    const before = await opened(id);
    const changed = await owner.query('SELECT updated_at FROM job WHERE id = $1', [id]);
    await owner.query("UPDATE job SET read_by = 'another' WHERE id = $1", [id]);
    expect(await opened(id)).toEqual(before);
    await expect.poll(() => marks(id)).toEqual({ read_revision: 1, read_by: thisProgram() });
    expect((await owner.query('SELECT updated_at FROM job WHERE id = $1', [id])).rows).toEqual(changed.rows);
  });

  it('is not taken for read where a revision came from elsewhere', async () => {
    const id = await made();
    await owner.query(
      `INSERT INTO job_revision (job_id, revision, workspace_id, save_id, document)
       SELECT id, 2, workspace_id, gen_random_uuid(), '{"format": "levamen-job"}' FROM job WHERE id = $1`,
      [id],
    );
    await owner.query('UPDATE job SET head_revision = 2 WHERE id = $1', [id]);
    await test.agent.get(`/api/jobs/${id}`).expect(422);
    expect(await marks(id)).toMatchObject({ read_revision: 1 });
  });

  it('of an earlier form is brought into the present one each time it is opened, and not taken for the same', async () => {
    const id = await made();
    await owner.query(
      `INSERT INTO job_revision (job_id, revision, workspace_id, save_id, document)
       SELECT id, 2, workspace_id, gen_random_uuid(), $2 FROM job WHERE id = $1`,
      [id, JSON.stringify({ ...document, version: document.version - 1 })],
    );
    await owner.query('UPDATE job SET head_revision = 2 WHERE id = $1', [id]);
    for (const _time of [1, 2]) expect((await opened(id)).document.version).toBe(document.version);
    expect(await marks(id)).toMatchObject({ read_revision: 1 });
  });
});

it('tells programs apart by all of the core', () => {
  expect(thisProgram()).toMatch(/^[0-9a-f]{16}$/);
  expect(thisProgram()).toBe(thisProgram());
});
