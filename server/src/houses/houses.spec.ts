import { randomUUID } from 'node:crypto';
import {
  housesDueSchema,
  housesRunAnswersSchema,
  housesRunListSchema,
  housesRunSchema,
} from '@levamen/core/api';
import { chosenFor, islandsOf } from '@levamen/core/design';
import { catalogueOf } from '@levamen/core/equipment';
import { sayOfState } from '@levamen/core/house';
import { type Job, newJob, planOf, readJob } from '@levamen/core/job';
import { outageAhead } from '@levamen/core/logbook/details';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../demo/load-demo.js';
import { JobSources } from '../jobs/sources-of-job.js';
import { JobStore } from '../jobs/job-store.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import { aHousesQuestion } from '../testing/houses-question.js';
import { Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { HousesStore } from './houses-store.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
  await loadDemo(test.database.source);
});
afterAll(() => test.database.close());

const asks = async (question: object = aHousesQuestion) =>
  housesRunSchema.parse((await test.agent.post('/api/houses/runs').send(question).expect(201)).body);
const toldOf = async (id: string) =>
  housesRunAnswersSchema.parse((await test.agent.get(`/api/houses/runs/${id}`).expect(200)).body);
const through = async (id: string) => {
  await expect
    .poll(async () => (await toldOf(id)).run, { timeout: 60_000, interval: 200 })
    .toMatchObject({ answered: expect.any(Number) as number });
  await expect
    .poll(
      async () => {
        const { run } = await toldOf(id);
        return run.houses - run.answered;
      },
      { timeout: 60_000, interval: 200 },
    )
    .toBe(0);
  return toldOf(id);
};
const create = async (document: Job): Promise<string> =>
  ((await test.agent.post('/api/jobs').send({ document }).expect(201)).body as { id: string }).id;
const operating = (job: Job): Job => ({
  ...job,
  course: sayOfState(job.course, 'operating', { on: '2026-01-02' }),
});

describe('a question that all houses are asked', () => {
  it('is answered by those that are so far, as the model of outages answers it for each alone', async () => {
    const run = await asks();
    expect(run).toMatchObject({ houses: 1, answered: 0, isCancelled: false });
    const { answers } = await through(run.id);
    const [{ jobId, answer }] = answers as [(typeof answers)[number]];
    // Once more, for this house alone, without queue and processes.
    const stored = (await new JobStore(test.database.source, defaultWorkspaceId).read(jobId))!;
    const read = readJob(stored.document);
    if (!read.ok) throw new Error('The demo cannot be read');
    const { items } = await new JobSources(test.database.source, defaultWorkspaceId).of(read.job);
    const plan = planOf(read.job, read.job.chosenDesignId);
    const alone = islandsOf(plan).map((island) =>
      outageAhead(
        { plan, islandId: island.id, parts: chosenFor(plan, island)!, weather: null },
        aHousesQuestion,
        catalogueOf(items),
      ),
    );
    expect(answer.problem).toBe('');
    expect(answer.revision).toBe(stored.revision);
    expect(answer.islands.map(({ name: _, ...one }) => one)).toEqual(JSON.parse(JSON.stringify(alone)));
    const list = housesRunListSchema.parse((await test.agent.get('/api/houses/runs').expect(200)).body);
    expect(list[0]).toMatchObject({ id: run.id, houses: 1, answered: 1 });
  });

  it('is not answered by a house that cannot say, and says why', async () => {
    await create(operating(newJob('Empty')));
    const broken = await create(operating(newJob('Broken')));
    const owner = new pg.Client({ connectionString: test.database.ownerUrl });
    await owner.connect();
    await owner.query('ALTER TABLE job_revision DISABLE TRIGGER USER');
    await owner.query(`UPDATE job_revision SET document = '{"version": 22}' WHERE job_id = $1`, [broken]);
    await owner.query('ALTER TABLE job_revision ENABLE TRIGGER USER');
    await owner.end();
    const other = await test.another();
    const run = housesRunSchema.parse(
      (await other.agent.post('/api/houses/runs').send(aHousesQuestion)).body,
    );
    const { answers } = await through(run.id);
    await other.close();
    const said = new Map(answers.map(({ name, answer }) => [name, answer.problem]));
    expect(said.get('Empty')).toMatch(/no equipment is chosen|nothing is backed up/);
    expect(said.get('Broken')).toContain('cannot be read');
    expect([...said.values()].filter((problem) => problem === '')).toHaveLength(1);
  });

  it('is refused in words where it is none, or no house is so far', async () => {
    const { body } = await test.agent
      .post('/api/houses/runs')
      .send({ ...aHousesQuestion, hours: 0, states: [] })
      .expect(400);
    expect(JSON.stringify(body)).toContain('Choose at least one state');
    const none = await test.agent
      .post('/api/houses/runs')
      .send({ ...aHousesQuestion, states: ['submitted'] })
      .expect(422);
    expect((none.body as { detail: string }).detail).toContain('No job has reached');
    await test.agent.get(`/api/houses/runs/${randomUUID()}`).expect(404);
    await test.agent.get('/api/houses/due?until=soon').expect(400);
  });

  it('goes no further once it is called off', async () => {
    const store = new HousesStore(test.database.source, defaultWorkspaceId);
    const { run, tasks } = await store.ask(aHousesQuestion);
    await test.agent.post(`/api/houses/runs/${run.id}/cancel`).expect(204);
    await test.agent.post(`/api/houses/runs/${run.id}/cancel`).expect(404);
    expect(await store.waiting(run.id, tasks[0]!.jobIds)).toBeNull();
    expect((await toldOf(run.id)).run.isCancelled).toBe(true);
  });

  it.each([
    ['whoever worked on it has died', '-1 minute'],
    ['he did so while the clock was a day ahead', '1 day'],
  ])('goes on where %s', async (_, heard) => {
    // Written down, and never put into the queue: as it is left by one who died.
    const { run } = await new HousesStore(test.database.source, defaultWorkspaceId).ask(aHousesQuestion);
    await test.database.source.query('UPDATE houses_run SET heard_at = now() + $2::interval WHERE id = $1', [
      run.id,
      heard,
    ]);
    expect((await through(run.id)).answers).toHaveLength(run.houses);
  });

  it('does not wait in the queue for a time that a clock was ahead', async () => {
    const store = new HousesStore(test.database.source, defaultWorkspaceId);
    const { run, tasks } = await store.ask(aHousesQuestion);
    const [put] = await test.database.source.query<{ id: string }[]>(
      "INSERT INTO pgboss.job (name, data, start_after) VALUES ('houses', $1, now() + interval '1 day') RETURNING id",
      [JSON.stringify(tasks[0])],
    );
    const state = async (): Promise<unknown> =>
      test.database.source.query('SELECT state FROM pgboss.job WHERE id = $1', [put!.id]);
    await expect.poll(state, { timeout: 20_000 }).toEqual([{ state: 'completed' }]);
    expect((await through(run.id)).answers).toHaveLength(run.houses);
  });
});

describe('what is due at all houses', () => {
  it('stands in one list, the earliest first, warranties among it', async () => {
    const due = housesDueSchema.parse(
      (await test.agent.get('/api/houses/due?until=2040-01-01').expect(200)).body,
    );
    expect(due.length).toBeGreaterThan(2);
    expect(due.map(({ on }) => on)).toEqual(due.map(({ on }) => on).toSorted());
    expect(new Set(due.map(({ kind }) => kind))).toContain('warranty');
    const [first] = due;
    const until = housesDueSchema.parse(
      (await test.agent.get(`/api/houses/due?until=${first!.on}`).expect(200)).body,
    );
    expect(until.every(({ on }) => on === first!.on)).toBe(true);
  });
});

describe('who may ask', () => {
  it('is whoever sees all houses: no viewer, no surveyor, and nobody of another company', async () => {
    const own = await openTestApp(true);
    const ada = await new Someone(own.visitor()).setUp();
    await ada.send('post', '/api/jobs', { document: operating(newJob('One')) }).expect(201);
    await ada.send('post', '/api/houses/runs', aHousesQuestion).expect(201);
    for (const role of ['viewer', 'surveyor']) {
      const email = `${role}@example.org`;
      const { body } = await ada.send('post', '/api/people/invitations', { email, role }).expect(201);
      const someone = new Someone(own.visitor());
      await someone.join((body as { path: string }).path, role, 'a long enough sentence of mine');
      await someone.get('/api/houses/runs').expect(403);
      await someone.send('post', '/api/houses/runs', aHousesQuestion).expect(403);
      await someone.get('/api/houses/due?until=2030-01-01').expect(403);
    }
    await own.database.close();
  });
});
