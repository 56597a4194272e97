import { jobPageSchema, savedJobSchema } from '@levamen/core/api';
import { type CourseState, emptyCourse, sayOfState } from '@levamen/core/house';
import { newJob } from '@levamen/core/job';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { refillColumns } from './refill-columns.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
  for (const [name, states] of [
    ['Asked', ['enquiry']],
    ['Given', ['enquiry', 'proposed']],
    ['Given, too', ['proposed']],
    ['Begun', []],
  ] as const)
    await madeJob(name, states);
});
afterAll(() => test.database.close());

const madeJob = async (name: string, states: readonly CourseState[]): Promise<string> => {
  const course = states.reduce((now, state) => sayOfState(now, state, { on: '2026-11-01' }), emptyCourse());
  const { body } = await test.agent
    .post('/api/jobs')
    .send({ document: { ...newJob(name), course } })
    .expect(201);
  return savedJobSchema.parse(body).id;
};
const list = async (query = '') =>
  jobPageSchema.parse((await test.agent.get(`/api/jobs?sort=name&order=up&${query}`).expect(200)).body);
const owner = async (statement: string): Promise<void> => {
  const client = new pg.Client({ connectionString: test.database.ownerUrl });
  await client.connect();
  await client.query(statement);
  await client.end();
};

describe('the list of jobs by state', () => {
  it('says of each the last state it has reached, and counts them', async () => {
    const { rows, states, total } = await list();
    expect(rows.map(({ name, state }) => [name, state])).toEqual([
      ['Asked', 'enquiry'],
      ['Begun', null],
      ['Given', 'proposed'],
      ['Given, too', 'proposed'],
    ]);
    expect(total).toBe(4);
    expect(new Map(states.map(({ state, count }) => [state, count]))).toEqual(
      new Map([
        ['enquiry', 1],
        ['proposed', 2],
        [null, 1],
      ]),
    );
  });

  it('shows those of one state, or of none; the counts stay those of all', async () => {
    const given = await list('state=proposed');
    expect(given.rows.map(({ name }) => name)).toEqual(['Given', 'Given, too']);
    expect([given.total, given.states.length]).toEqual([2, 3]);
    expect((await list('state=none')).rows.map(({ name }) => name)).toEqual(['Begun']);
    expect((await list('state=operating')).rows).toEqual([]);
    expect((await list('state=proposed&search=too')).total).toBe(1);
    await test.agent.get('/api/jobs?state=lost').expect(400);
  });

  it('is read anew from jobs that an earlier program saved last, without touching when they were changed', async () => {
    const before = (await list()).rows;
    await owner("UPDATE job SET state = '', due_on = '1999-01-01', columns_version = 0");
    expect((await list('state=proposed')).rows).toEqual([]);
    expect(await refillColumns(test.database.source)).toBe(4);
    expect((await list()).rows).toEqual(before);
    expect(await refillColumns(test.database.source)).toBe(0);
  });

  it('keeps what it showed of one that does not validate any more', async () => {
    const id = await madeJob('Broken', ['accepted']);
    await owner(`ALTER TABLE job_revision DISABLE TRIGGER USER;
      UPDATE job_revision SET document = jsonb_set(document, '{loads}', '"none"') WHERE job_id = '${id}';
      UPDATE job SET columns_version = 0 WHERE id = '${id}'`);
    expect(await refillColumns(test.database.source)).toBe(1);
    expect((await list('state=accepted')).rows.map(({ name }) => name)).toEqual(['Broken']);
  });
});
