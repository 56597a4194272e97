import {
  jobPageSchema,
  recordingColumns,
  recordingRowsSchema,
  recordingSchema,
  savedJobSchema,
} from '@levamen/core/api';
import { emptyLogbook, type Logbook } from '@levamen/core/house';
import { type Job, newJob } from '@levamen/core/job';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { digestOf } from '../blobs/blob-store.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const withLogbook = (name: string, logbook: Partial<Logbook>): Job => ({
  ...newJob(name),
  logbook: { ...emptyLogbook(), ...logbook },
});
const madeJob = async (document: Job): Promise<{ readonly id: string; readonly revision: number }> => {
  const { body } = await test.agent.post('/api/jobs').send({ document }).expect(201);
  return savedJobSchema.parse(body);
};
const date = (id: string, dueOn: string | null): Logbook['dates'][number] => ({
  id,
  kind: 'test-outage',
  text: `Test of ${id}`,
  everyMonths: 12,
  dueOn,
  doneOn: [],
});
const list = async (query: string) =>
  jobPageSchema.parse((await test.agent.get(`/api/jobs?${query}`).expect(200)).body).rows;

describe('what is due', () => {
  it('stands in the list of jobs, follows each save, and sorts it; jobs without it come last', async () => {
    const later = await madeJob(withLogbook('Later', { dates: [date('later', '2027-01-01')] }));
    await madeJob(withLogbook('Never', {}));
    await madeJob(withLogbook('Sooner', { dates: [date('b', '2026-12-01'), date('a', '2026-05-01')] }));
    const names = async (order: string): Promise<string[]> =>
      (await list(`sort=due&order=${order}`)).map(({ name }) => name);
    expect(await names('up')).toEqual(['Sooner', 'Later', 'Never']);
    expect(await names('down')).toEqual(['Later', 'Sooner', 'Never']);
    const [first] = await list('sort=due&order=up');
    expect(first!.due).toEqual({ on: '2026-05-01', text: 'Test of a' });

    const save = (baseRevision: number, dueOn: string | null) =>
      test.agent
        .put(`/api/jobs/${later.id}`)
        .send({
          baseRevision,
          saveId: crypto.randomUUID(),
          document: withLogbook('Later', { dates: [date('later', dueOn)] }),
        })
        .expect(200);
    await save(later.revision, '2026-02-01');
    expect(await names('up')).toEqual(['Later', 'Sooner', 'Never']);
    await save(later.revision + 1, null);
    expect((await list('search=Later'))[0]!.due).toBeNull();
  });
});

describe('readings of a file', () => {
  const row = (second: number): (number | null)[] =>
    recordingColumns.map((column) => (column === 'second' ? second : column === 'batteryW' ? 600 : null));
  const rows = Array.from({ length: 5000 }, (_, index) => row(index * 10));

  it('are kept as a recording, and read back as they were', async () => {
    const { id } = await madeJob(newJob('With readings'));
    const asked = { name: 'Storm', beganAt: '2026-02-11T20:00:00.000Z', rows };
    const { body } = await test.agent
      .post(`/api/jobs/${id}/system/recordings/import`)
      .send(asked)
      .expect(201);
    const kept = recordingSchema.parse(body);
    expect(kept).toMatchObject({ name: 'Storm', samples: 5000, endedAt: '2026-02-12T09:53:10.000Z' });
    const read = await test.agent.get(`/api/jobs/${id}/system/recordings/${kept.id}`).expect(200);
    expect(recordingRowsSchema.parse(read.body).rows).toEqual(rows);
  });

  it.each([
    ['out of order', { rows: [row(10), row(5)] }, 'in the order of their seconds'],
    ['one row', { rows: [row(1)] }, 'two rows at least'],
    ['a row too short', { rows: [[1], [2]] }, 'a value for each column'],
    ['no moment', { beganAt: 'yesterday' }, 'Write the moment as'],
  ])('are refused in words: %s', async (_what, change, says) => {
    const { id } = await madeJob(newJob('Without'));
    const asked = { name: 'Storm', beganAt: '2026-02-11T20:00:00Z', rows: rows.slice(0, 3), ...change };
    const { body } = await test.agent
      .post(`/api/jobs/${id}/system/recordings/import`)
      .send(asked)
      .expect(400);
    expect(JSON.stringify(body)).toContain(says);
  });

  it('take no more room than a job has', async () => {
    const { id } = await madeJob(newJob('Full'));
    const asked = { name: 'Storm', beganAt: '2026-02-11T20:00:00Z', rows: rows.slice(0, 2) };
    const send = () => test.agent.post(`/api/jobs/${id}/system/recordings/import`).send(asked);
    for (let count = 0; count < 40; count += 1) await send().expect(201);
    const { body } = await send().expect(409);
    expect(JSON.stringify(body)).toContain('at most 40 recordings');
  });
});

describe('documents of a logbook', () => {
  const pdf = Buffer.from('%PDF-1.7\n% invented\n%%EOF\n');
  const digest = digestOf(pdf);
  const put = (jobId: string, name: string, bytes: Buffer, type = 'application/pdf') =>
    test.agent.put(`/api/jobs/${jobId}/documents/${name}`).set('content-type', type).send(bytes);

  it('are kept under their digest, given out to be saved, and go along with a copy of the job', async () => {
    const file = { digest, bytes: pdf.length };
    const documents = [{ id: 'd', name: 'Permission', on: null, where: '', file }];
    const { id } = await madeJob(withLogbook('With a document', { documents }));
    await put(id, digest, pdf).expect(204);
    const read = await test.agent.get(`/api/jobs/${id}/documents/${digest}`).expect(200);
    expect(read.headers['content-disposition']).toMatch(/^attachment;/);
    expect(read.headers['x-content-type-options']).toBe('nosniff');
    expect(Buffer.from(read.body as Uint8Array).equals(pdf)).toBe(true);
    const copy = await test.agent.post(`/api/jobs/${id}/duplicate`).send({}).expect(201);
    await test.agent.get(`/api/jobs/${savedJobSchema.parse(copy.body).id}/documents/${digest}`).expect(200);
    const { id: other } = await madeJob(newJob('Without one'));
    await test.agent.get(`/api/jobs/${other}/documents/${digest}`).expect(404);
  });

  it('are refused where they are none, or not what they are called', async () => {
    const { id } = await madeJob(newJob('Strange ones'));
    const page = Buffer.from('<script>alert(1)</script>');
    await put(id, digestOf(page), page).expect(415);
    await put(id, digest, pdf, 'text/html').expect(415);
    await put(id, digestOf(page), pdf).expect(422);
    await put(id, 'nonsense', pdf).expect(404);
    await put(id, digest, Buffer.concat([pdf, Buffer.alloc(20_000_000)])).expect(413);
  });
});
