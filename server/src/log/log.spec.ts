import { newJob } from '@levamen/core/job';
import { deedListSchema, type SavedJob, whoHeaders } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { BlobStore, digestOf } from '../blobs/blob-store.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const asZoe = { [whoHeaders.actor]: encodeURIComponent('Zoë'), [whoHeaders.device]: 'tablet' };
const deeds = async (query = '') =>
  deedListSchema.parse((await test.agent.get(`/api/log${query}`).expect(200)).body);

describe('the log', () => {
  it('says who made, copied, deleted, brought back and purged a job, newest first', async () => {
    const made = await test.agent
      .post('/api/jobs')
      .set(asZoe)
      .send({ document: newJob('Watched') });
    const { id } = made.body as SavedJob;
    await test.agent.post(`/api/jobs/${id}/duplicate`).set(asZoe).expect(201);
    await test.agent.delete(`/api/jobs/${id}`).set(asZoe).expect(204);
    await test.agent.post(`/api/jobs/${id}/restore`).set(asZoe).expect(200);
    await test.agent.delete(`/api/jobs/${id}`).set(asZoe).expect(204);
    await test.agent.delete(`/api/jobs/${id}/purge`).set(asZoe).expect(204);
    const said = (await deeds()).filter(({ jobId }) => jobId === id);
    expect(said.map(({ deed }) => deed)).toEqual([
      'job purged',
      'job deleted',
      'job brought back',
      'job deleted',
      'job created',
    ]);
    for (const { actor, device } of said) expect([actor, device]).toEqual(['Zoë', 'tablet']);
    expect(said[0]!.facts).toEqual({ name: 'Watched', revisions: 1 });
  });

  it('is read a page at a time', async () => {
    for (let i = 0; i < 5; i += 1) await test.agent.post('/api/jobs').send({ document: newJob(`Job ${i}`) });
    const all = await deeds();
    const first = await deeds('?limit=2');
    const next = await deeds(`?limit=2&before=${first.at(-1)!.id}`);
    expect([...first, ...next]).toEqual(all.slice(0, 4));
    await test.agent.get('/api/log?limit=0').expect(400);
    await test.agent.get('/api/log?before=x').expect(400);
  });

  it('says nothing of a deed that failed', async () => {
    const before = await deeds();
    await test.agent.delete('/api/jobs/00000000-0000-4000-8000-000000000000').expect(404);
    await test.agent
      .post('/api/jobs')
      .send({ document: { ...newJob('x'), name: '' } })
      .expect(422);
    expect(await deeds()).toEqual(before);
  });
});

describe('who asks', () => {
  it('may have any name, percent-encoded, and is told where that is wrong', async () => {
    const post = (actor: string) =>
      test.agent
        .post('/api/jobs')
        .set(whoHeaders.actor, actor)
        .send({ document: newJob('x') });
    const made = (await post(encodeURIComponent('Ж 工')).expect(201)).body as SavedJob;
    expect(made.actor).toBe('Ж 工');
    expect(((await post('').expect(201)).body as SavedJob).actor).toBe('');
    await post('%E0%A4%A').expect(400);
    await post(encodeURIComponent('a\u0000b')).expect(400);
    await post('x'.repeat(61)).expect(400);
  });
});

describe('the content-addressed store', () => {
  it('keeps the same bytes once, also when many bring them at once, and apart for each workspace', async () => {
    const { source } = test.database;
    const other = '00000000-0000-4000-8000-000000000002';
    await source.query('INSERT INTO workspace (id, name) VALUES ($1, $2)', [other, 'Other']);
    const [mine, theirs] = [new BlobStore(defaultWorkspaceId), new BlobStore(other)];
    const payload = Buffer.from('photo of a label');
    const digests = await Promise.all(
      Array.from({ length: 12 }, () => source.transaction((manager) => mine.keep(manager, payload))),
    );
    expect(new Set(digests)).toEqual(new Set([digestOf(payload)]));
    const [count] = await source.query<{ n: number }[]>(
      'SELECT count(*)::int AS n FROM blob WHERE digest = $1',
      [digests[0]],
    );
    expect(count?.n).toBe(1);
    expect(await mine.read(source.manager, digests[0]!)).toEqual(payload);
    expect(await theirs.read(source.manager, digests[0]!)).toBeNull();
    expect(await mine.read(source.manager, 'unknown')).toBeNull();
  });

  it('has the digest of the standard: SHA-256 of "abc" (FIPS 180-4, example; recalled)', () => {
    expect(digestOf(Buffer.from('abc'))).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });
});

describe('what the database keeps', () => {
  it('is said in jobs and bytes', async () => {
    const before = (await test.agent.get('/api/storage').expect(200)).body as Record<string, number>;
    const made = await test.agent.post('/api/jobs').send({ document: newJob('Counted') });
    await test.agent.delete(`/api/jobs/${(made.body as SavedJob).id}`).expect(204);
    const after = (await test.agent.get('/api/storage').expect(200)).body as Record<string, number>;
    expect(after['jobsInBin']).toBe(before['jobsInBin']! + 1);
    expect(after['jobs']).toBe(before['jobs']);
    expect(after['revisionBytes']).toBeGreaterThan(0);
  });
});
