import { randomUUID } from 'node:crypto';
import { invitationLinkSchema, personalDataSchema, peopleSchema } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { goodPassword, Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { aTrainingRun } from '../testing/training-run.js';
import { forgetOld } from './keep-house.js';

let test: TestApp;
let ada: Someone;
let ben: Someone;
let benId: string;
let jobId: string;
let owner: pg.Client;

const idOf = async (someone: Someone): Promise<string> => {
  const session = await someone.session();
  return session.state === 'signed-in' ? session.accountId! : '';
};
const joins = async (name: string, role: string): Promise<Someone> => {
  const email = `${name.toLowerCase()}@example.org`;
  const { body } = await ada.send('post', '/api/people/invitations', { email, role }).expect(201);
  const someone = new Someone(test.visitor());
  await someone.join(invitationLinkSchema.parse(body).path!, name, goodPassword);
  return someone;
};
/** Does a text stand anywhere in the database? */
const stands = async (text: string): Promise<readonly string[]> => {
  const { rows: tables } = await owner.query<{ name: string }>(
    "SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public'",
  );
  const found: string[] = [];
  for (const { name } of tables) {
    const { rows } = await owner.query(`SELECT 1 FROM ${name} t WHERE t::text ILIKE $1 LIMIT 1`, [
      `%${text}%`,
    ]);
    if (rows.length > 0) found.push(name);
  }
  return found;
};

beforeAll(async () => {
  test = await openTestApp(true);
  owner = new pg.Client({ connectionString: test.database.ownerUrl });
  await owner.connect();
  ada = await new Someone(test.visitor()).setUp();
  ben = await joins('Benbow', 'designer');
  benId = await idOf(ben);
  const { body } = await ben.send('post', '/api/jobs', { document: newJob('House') }).expect(201);
  jobId = (body as { id: string }).id;
  await ben
    .send('put', `/api/jobs/${jobId}`, {
      baseRevision: 1,
      saveId: randomUUID(),
      document: newJob('Longhouse'),
    })
    .expect(200);
  // Nobody answers there: that it was begun is kept all the same.
  await ada.send('put', '/api/device-networks', { networks: ['127.0.0.1'] }).expect(200);
  const system = { host: '127.0.0.1', port: 1, units: '1', httpPort: null };
  const begun = await ben
    .send('post', `/api/jobs/${jobId}/system/recordings`, { name: 'Outage', system })
    .expect(201);
  const recording = (begun.body as { id: string }).id;
  await ben.send('post', `/api/jobs/${jobId}/system/recordings/${recording}/end`, {}).expect(204);
  await ben.send('post', '/api/training-runs', aTrainingRun).expect(201);
});
afterAll(async () => {
  await owner.end();
  await test.database.close();
});

describe('what is kept of a person', () => {
  it('is given to him, and to the owner of the company, and to nobody else', async () => {
    const own = personalDataSchema.parse((await ben.get('/api/session/data').expect(200)).body);
    expect(own).toMatchObject({ name: 'Benbow', email: 'benbow@example.org', role: 'designer' });
    expect(own.did.map(({ what }) => what)).toEqual(
      expect.arrayContaining(['joined', 'revision 2', 'recording "Outage"', 'training on "House"']),
    );
    const asked = personalDataSchema.parse((await ada.get(`/api/people/${benId}/data`).expect(200)).body);
    expect(asked.did.length).toBe(own.did.length);
    await ben.get(`/api/people/${await idOf(ada)}/data`).expect(403);
    await ada.get(`/api/people/${randomUUID()}/data`).expect(404);
  });

  it('is erased everywhere, and what he did stays', async () => {
    expect(await stands('benbow')).not.toEqual([]);
    await ben.send('post', `/api/people/${benId}/erasure`).expect(403);
    await ada.send('post', `/api/people/${benId}/erasure`).expect(204);
    expect(await stands('benbow')).toEqual([]);
    await ben.get('/api/jobs').expect(401);
    await new Someone(test.visitor()).signIn('benbow@example.org', goodPassword, 401);
    const { body } = await ada.get(`/api/jobs/${jobId}/revisions`).expect(200);
    expect(body).toMatchObject([
      { revision: 2, actor: '', device: '' },
      { revision: 1, actor: '', device: '' },
    ]);
    await ada.send('post', `/api/people/${benId}/erasure`).expect(409);
  });

  it('stays where nobody would own the company any more, and where he belongs to another one, too', async () => {
    await ada.send('post', `/api/people/${await idOf(ada)}/erasure`).expect(409);
    const { body } = await ada
      .send('post', '/api/people/companies', { name: 'Dale Electric', email: 'cleo@example.org' })
      .expect(201);
    const cleo = await joins('Cleo', 'designer');
    await cleo
      .send('post', invitationLinkSchema.parse(body).path!.replace('/join/', '/api/session/join/'), {
        password: goodPassword,
      })
      .expect(201);
    const session = await cleo.session();
    expect(session.state === 'signed-in' && session.workspaces.map(({ name }) => name).toSorted()).toEqual([
      'Dale Electric',
      'Hill Electric',
    ]);
    await ada.send('post', `/api/people/${await idOf(cleo)}/erasure`).expect(409);
    // The one she founded sees nothing of the first, and founds none.
    const dale =
      session.state === 'signed-in' && session.workspaces.find(({ name }) => name === 'Dale Electric');
    await cleo.send('put', '/api/session/workspace', { id: dale && dale.id }).expect(204);
    await cleo.session();
    expect((await cleo.get('/api/jobs').expect(200)).body).toMatchObject({ total: 0 });
    expect(peopleSchema.parse((await cleo.get('/api/people').expect(200)).body)).toMatchObject({
      mayFound: false,
      members: [{ name: 'Cleo', role: 'owner' }],
    });
    await cleo.send('post', '/api/people/companies', { name: 'Third', email: 'x@example.org' }).expect(403);
  });

  it('cannot be changed in any other way, even by the role that owns the tables', async () => {
    for (const statement of [
      "UPDATE job_revision SET actor = ''",
      "UPDATE job_revision SET actor = 'Somebody'",
      "UPDATE deed SET actor = ''",
      'DELETE FROM deed',
    ])
      await expect(owner.query(statement)).rejects.toThrow('append-only');
  });
});

describe('what is kept for a time only', () => {
  it('takes days, and says what is wrong with others', async () => {
    const { body } = await ada.send('put', '/api/people/retention', { binDays: 0, logDays: 3.5 }).expect(400);
    expect(JSON.stringify(body)).toContain('binDays');
    await ada.send('put', '/api/people/retention', { binDays: null, logDays: null }).expect(204);
  });

  it('goes when its time is over: deleted jobs, and lines of the log', async () => {
    const make = async (name: string): Promise<string> =>
      ((await ada.send('post', '/api/jobs', { document: newJob(name) }).expect(201)).body as { id: string })
        .id;
    const [old, recent] = [await make('Old'), await make('Recent')];
    for (const id of [old, recent]) await ada.send('delete', `/api/jobs/${id}`).expect(204);
    await owner.query("UPDATE job SET deleted_at = now() - interval '40 days' WHERE id = $1", [old]);
    await forgetOld(test.database.source);
    const bin = async (): Promise<number> =>
      ((await ada.get('/api/jobs?bin=true').expect(200)).body as { total: number }).total;
    expect(await bin()).toBe(2);
    await ada.send('put', '/api/people/retention', { binDays: 30, logDays: 90 }).expect(204);
    // Lines are only ever added: one of last year is put there as such.
    await owner.query(
      `INSERT INTO deed (workspace_id, actor, device, deed, at)
       SELECT workspace_id, 'Ada', '', 'signed in', now() - interval '400 days' FROM deed LIMIT 1`,
    );
    await forgetOld(test.database.source);
    expect(await bin()).toBe(1);
    const { body } = await ada.get('/api/log?limit=500').expect(200);
    const lines = body as { deed: string; at: string; actor: string }[];
    expect(lines.every(({ at }) => Date.now() - Date.parse(at) < 90 * 86_400_000)).toBe(true);
    expect(lines.find(({ deed }) => deed === 'job purged')).toMatchObject({ actor: 'Levamen' });
  });
});
