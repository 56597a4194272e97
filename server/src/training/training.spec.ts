import { trainingRunsSchema, invitationLinkSchema } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { goodPassword, Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { aTrainingRun } from '../testing/training-run.js';

let test: TestApp;
let ada: Someone;

const joins = async (name: string, role: string): Promise<Someone> => {
  const email = `${name.toLowerCase()}@example.org`;
  const { body } = await ada.send('post', '/api/people/invitations', { email, role }).expect(201);
  const someone = new Someone(test.visitor());
  await someone.join(invitationLinkSchema.parse(body).path!, name, goodPassword);
  return someone;
};
const runsOf = async (someone: Someone) =>
  trainingRunsSchema.parse((await someone.get('/api/training-runs').expect(200)).body);

beforeAll(async () => {
  test = await openTestApp(true);
  ada = await new Someone(test.visitor()).setUp();
});
afterAll(() => test.database.close());

describe('results of training runs', () => {
  it('are kept per person: each sees his own, the owner everybody’s', async () => {
    const ben = await joins('Ben', 'surveyor');
    const eve = await joins('Eve', 'viewer');
    await ben.send('post', '/api/training-runs', aTrainingRun).expect(201);
    await eve.send('post', '/api/training-runs', { ...aTrainingRun, seed: 8 }).expect(201);
    expect((await runsOf(ben)).map(({ seed, actor, isMine }) => [seed, actor, isMine])).toEqual([
      [7, 'Ben', true],
    ]);
    expect(await runsOf(eve)).toMatchObject([{ ...aTrainingRun, seed: 8, actor: 'Eve', isMine: true }]);
    expect((await runsOf(ada)).map(({ actor, isMine }) => [actor, isMine])).toEqual([
      ['Eve', false],
      ['Ben', false],
    ]);
  });

  it('are refused in words where they are none, and kept for nobody who has not signed in', async () => {
    const { body } = await ada
      .send('post', '/api/training-runs', { ...aTrainingRun, named: 'ghost', tookS: -1 })
      .expect(400);
    expect(JSON.stringify(body)).toContain('Name one of the faults');
    await new Someone(test.visitor()).get('/api/training-runs').expect(401);
  });
});
