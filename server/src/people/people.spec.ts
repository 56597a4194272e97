import { type InvitationLink, peopleSchema, type Role } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import { generate } from 'otplib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { goodPassword, Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { fits, hashOf } from './password.js';

let test: TestApp;
let owner: Someone;
beforeAll(async () => {
  test = await openTestApp(true);
  owner = new Someone(test.visitor());
});
afterAll(() => test.database.close());

const stranger = () => new Someone(test.visitor());
const setup = { company: 'Hill Electric', name: 'Ada', email: 'Ada@Example.org', password: goodPassword };
const invite = async (email: string, role: Role): Promise<InvitationLink & { readonly path: string }> =>
  (await owner.send('post', '/api/people/invitations', { email, role }).expect(201))
    .body as InvitationLink & {
    readonly path: string;
  };
const people = async () => peopleSchema.parse((await owner.get('/api/people').expect(200)).body);

describe('the first account', () => {
  it('is asked for, and nothing else is to be had before', async () => {
    expect(await owner.session()).toEqual({ state: 'setup' });
    await owner.get('/api/jobs').expect(401);
    await owner.send('post', '/api/jobs', { document: newJob('x') }).expect(401);
    await owner.get('/api/health').expect(200);
  });

  it.each([
    ['short', 'meadow nine', 400],
    ['a common one', 'password1234', 422],
    ['a row of keys', 'qwertyuiop123', 422],
    ['the name of the company', 'hillelectric1', 422],
  ])('takes no password that is %s', async (_, password, status) => {
    const { body } = await owner.send('post', '/api/session/setup', { ...setup, password }).expect(status);
    expect(JSON.stringify(body)).toContain('"path":"password"');
  });

  it('owns what is there, is signed in, and there is one only', async () => {
    await owner.send('post', '/api/session/setup', setup).expect(201);
    expect(await owner.session()).toMatchObject({
      state: 'signed-in',
      name: 'Ada',
      email: 'ada@example.org',
      workspace: { name: 'Hill Electric', role: 'owner' },
      automatic: false,
    });
    await owner.get('/api/jobs').expect(200);
    await stranger().send('post', '/api/session/setup', setup).expect(409);
    expect(await stranger().session()).toEqual({ state: 'signed-out', mail: false });
  });
});

describe('a session', () => {
  it('asks for the token of the page with whatever changes something', async () => {
    const document = newJob('Without a token');
    await owner.visitor.post('/api/jobs').send({ document }).expect(403);
    await owner.visitor.post('/api/jobs').set('x-levamen-token', 'guessed').send({ document }).expect(403);
    await owner.send('post', '/api/jobs', { document }).expect(201);
  });

  it('is known by a cookie that no script reads and no other site sends', async () => {
    const visitor = test.visitor();
    const { headers } = await visitor
      .post('/api/session')
      .send({ email: setup.email, password: goodPassword })
      .expect(201);
    const [cookie] = headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
  });

  it('begins under a new identifier: one that was planted before is worth nothing', async () => {
    const visitor = test.visitor();
    const planted = 's%3Aplanted.signature';
    const { headers } = await visitor
      .post('/api/session')
      .set('Cookie', `levamen=${planted}`)
      .send({ email: setup.email, password: goodPassword })
      .expect(201);
    expect(String(headers['set-cookie'])).not.toContain('planted');
    await test.agent.get('/api/jobs').set('Cookie', `levamen=${planted}`).expect(401);
  });

  it('is listed to whom it belongs, and all others can be ended', async () => {
    const second = stranger();
    await second.signIn(setup.email, goodPassword);
    const { body } = await second.get('/api/session/list').expect(200);
    expect((body as { isThis: boolean }[]).filter(({ isThis }) => isThis)).toHaveLength(1);
    await second.send('delete', '/api/session/others').expect(204);
    await owner.get('/api/jobs').expect(401);
    await second.get('/api/jobs').expect(200);
    await owner.signIn(setup.email, goodPassword);
  });

  it('ends when somebody signs out', async () => {
    const second = stranger();
    await second.signIn(setup.email, goodPassword);
    await second.send('delete', '/api/session').expect(204);
    await second.get('/api/jobs').expect(401);
  });
});

describe('people', () => {
  it('join by a link that is good once, as what they were invited to be', async () => {
    const { path } = await invite('ben@example.org', 'designer');
    expect((await people()).invitations).toHaveLength(1);
    const ben = stranger();
    const link = path.replace('/join/', '/api/session/join/');
    expect((await ben.get(link).expect(200)).body).toEqual({
      kind: 'invitation',
      email: 'ben@example.org',
      company: 'Hill Electric',
      role: 'designer',
      hasAccount: false,
    });
    await ben.join(path, 'Ben', goodPassword);
    expect(await ben.session()).toMatchObject({ name: 'Ben', workspace: { role: 'designer' } });
    await stranger().get(link).expect(404);
    await stranger().send('post', link, { name: 'Eve', password: goodPassword }).expect(404);
    expect((await people()).invitations).toEqual([]);
    // A designer works, and says not who may do what.
    await ben.send('post', '/api/jobs', { document: newJob('Of Ben') }).expect(201);
    await ben.get('/api/people').expect(200);
    await ben
      .send('post', '/api/people/invitations', { email: 'eve@example.org', role: 'owner' })
      .expect(403);
    await ben.get('/api/log').expect(403);
    // What he saves carries his name, whatever his page says.
    const { body } = await ben.visitor
      .post('/api/jobs')
      .set('x-levamen-actor', 'Ada')
      .set('x-levamen-token', ((await ben.session()) as { token: string }).token)
      .send({ document: newJob('Signed') })
      .expect(201);
    expect((body as { actor: string }).actor).toBe('Ben');
  });

  it('have another role at once, and are out at once', async () => {
    const { path } = await invite('cy@example.org', 'viewer');
    const cy = stranger();
    await cy.join(path, 'Cy', goodPassword);
    await cy.get('/api/jobs').expect(200);
    await cy.send('post', '/api/jobs', { document: newJob('No') }).expect(403);
    const { accountId } = (await people()).members.find(({ name }) => name === 'Cy')!;
    await owner.send('put', `/api/people/${accountId}`, { role: 'designer' }).expect(204);
    await cy.send('post', '/api/jobs', { document: newJob('Yes') }).expect(201);
    await owner.send('delete', `/api/people/${accountId}`).expect(204);
    await cy.get('/api/jobs').expect(401);
    await cy.signIn('cy@example.org', goodPassword);
    await cy.get('/api/jobs').expect(401);
  });

  it('leave a company never without an owner', async () => {
    const { accountId } = (await people()).members.find(({ role }) => role === 'owner')!;
    await owner.send('put', `/api/people/${accountId}`, { role: 'viewer' }).expect(409);
    await owner.send('delete', `/api/people/${accountId}`).expect(409);
  });

  it('get a new password by a link of the owner, which ends their sessions', async () => {
    const { path } = await invite('dee@example.org', 'viewer');
    const dee = stranger();
    await dee.join(path, 'Dee', goodPassword);
    const { accountId } = (await people()).members.find(({ name }) => name === 'Dee')!;
    const { body } = await owner.send('post', `/api/people/${accountId}/reset`).expect(201);
    const again = stranger();
    await again.join((body as InvitationLink).path!, 'Dee', 'another meadow kettle ten');
    await dee.get('/api/jobs').expect(401);
    await stranger().signIn('dee@example.org', goodPassword, 401);
    await stranger().signIn('dee@example.org', 'another meadow kettle ten');
  });

  it('change their password by the one they have, and are told when it is wrong', async () => {
    const ben = stranger();
    await ben.signIn('ben@example.org', goodPassword);
    await ben.send('put', '/api/session/password', { before: 'wrong', password: goodPassword }).expect(422);
    const next = 'windmill basalt oars four';
    await ben.send('put', '/api/session/password', { before: goodPassword, password: next }).expect(204);
    await stranger().signIn('ben@example.org', goodPassword, 401);
    await stranger().signIn('ben@example.org', next);
  });
});

describe('a second factor', () => {
  it('is added by a code, asked for at sign-in, good once, and replaced by a recovery code once', async () => {
    const { path } = await invite('gil@example.org', 'designer');
    const gil = stranger();
    await gil.join(path, 'Gil', goodPassword);
    const { body: offer } = await gil.send('post', '/api/session/second-factor').expect(201);
    const { secret, uri } = offer as { secret: string; uri: string };
    expect(uri).toContain('otpauth://totp/Levamen');
    const codeAt = (secondsAhead: number) =>
      generate({ secret, epoch: Math.floor(Date.now() / 1000) + secondsAhead });
    await gil.send('put', '/api/session/second-factor', { code: '000000' }).expect(422);
    const first = await codeAt(0);
    const { body } = await gil.send('put', '/api/session/second-factor', { code: first }).expect(200);
    const { codes } = body as { codes: string[] };
    expect(codes).toHaveLength(10);

    const again = stranger();
    const signIn = (code?: string) =>
      again.send('post', '/api/session', {
        email: 'gil@example.org',
        password: goodPassword,
        ...(code === undefined ? {} : { code }),
      });
    const asked = await signIn().expect(401);
    expect(JSON.stringify(asked.body)).toContain('"path":"code"');
    // The one that added it was used.
    await signIn(first).expect(401);
    await signIn('123').expect(400);
    const next = await codeAt(30);
    await signIn(next).expect(201);
    await signIn(next).expect(401);
    await signIn(codes[3]!.toUpperCase().replace('-', ' ')).expect(201);
    await signIn(codes[3]).expect(401);
    // What is kept of them tells nobody one of them.
    const [row] = await test.database.source.query<{ recovery: string[] }[]>(
      "SELECT recovery FROM account WHERE email = 'gil@example.org'",
    );
    expect(row!.recovery).toHaveLength(9);
    expect(row!.recovery.join()).not.toContain(codes[0]!.replace('-', ''));
    await again.session();
    await again.send('delete', '/api/session/second-factor', { password: 'wrong' }).expect(422);
    await again.send('delete', '/api/session/second-factor', { password: goodPassword }).expect(204);
    await signIn().expect(201);
  });

  it('is asked of everybody where the owner says so: nothing else is to be had before', async () => {
    const { path } = await invite('hal@example.org', 'designer');
    const hal = stranger();
    await hal.join(path, 'Hal', goodPassword);
    await owner.send('put', '/api/people/policy', { secondFactor: true }).expect(204);
    expect(await hal.session()).toMatchObject({ mustAddFactor: true, secondFactor: false });
    const { body } = await hal.get('/api/jobs').expect(403);
    expect((body as { detail: string }).detail).toContain('second factor');
    const { body: offer } = await hal.send('post', '/api/session/second-factor').expect(201);
    const code = await generate({ secret: (offer as { secret: string }).secret });
    await hal.send('put', '/api/session/second-factor', { code }).expect(200);
    await hal.get('/api/jobs').expect(200);
    await hal.send('delete', '/api/session/second-factor', { password: goodPassword }).expect(409);
    // The owner himself is no exception, and takes it back only once he has one.
    await owner.get('/api/jobs').expect(403);
    const { body: own } = await owner.send('post', '/api/session/second-factor').expect(201);
    const ownCode = await generate({ secret: (own as { secret: string }).secret });
    await owner.send('put', '/api/session/second-factor', { code: ownCode }).expect(200);
    await owner.send('put', '/api/people/policy', { secondFactor: false }).expect(204);
    await owner.send('delete', '/api/session/second-factor', { password: goodPassword }).expect(204);
  });

  it('is not passed by with a link: who has one signs in with it', async () => {
    const hal = stranger();
    const { body } = await owner
      .send('post', '/api/people/invitations', { email: 'ivy@example.org', role: 'viewer' })
      .expect(201);
    const ivy = stranger();
    await ivy.join((body as InvitationLink).path!, 'Ivy', goodPassword);
    const { body: offer } = await ivy.send('post', '/api/session/second-factor').expect(201);
    const code = await generate({ secret: (offer as { secret: string }).secret });
    await ivy.send('put', '/api/session/second-factor', { code }).expect(200);
    const { accountId } = (await people()).members.find(({ name }) => name === 'Ivy')!;
    await owner.send('delete', `/api/people/${accountId}`).expect(204);
    const { path } = await invite('ivy@example.org', 'viewer');
    await hal
      .send('post', path.replace('/join/', '/api/session/join/'), { password: goodPassword })
      .expect(201);
    expect(await hal.session()).toEqual({ state: 'signed-out', mail: false });
  });
});

describe('a surveyor', () => {
  it('sees the jobs that are given to him, and changes what a survey brings home', async () => {
    const { path } = await invite('sol@example.org', 'surveyor');
    const sol = stranger();
    await sol.join(path, 'Sol', goodPassword);
    const made = async (name: string) =>
      (await owner.send('post', '/api/jobs', { document: newJob(name) }).expect(201)).body as {
        id: string;
        revision: number;
        document: Record<string, unknown>;
      };
    const [given, other] = [await made('Given'), await made('Not given')];
    const { accountId } = (await people()).members.find(({ name }) => name === 'Sol')!;
    await owner.send('put', `/api/jobs/${given.id}/people`, { accountIds: [accountId] }).expect(204);
    const { body } = await sol.get('/api/jobs').expect(200);
    expect((body as { rows: { name: string }[] }).rows.map(({ name }) => name)).toEqual(['Given']);
    await sol.get(`/api/jobs/${given.id}`).expect(200);
    await sol.get(`/api/jobs/${other.id}`).expect(404);
    await sol.get(`/api/jobs/${other.id}/export`).expect(404);
    const save = (document: object) =>
      sol.send('put', `/api/jobs/${given.id}`, {
        baseRevision: given.revision,
        saveId: crypto.randomUUID(),
        supersedes: [],
        document,
      });
    const brief = { ...(given.document['brief'] as object), designSeason: 'summer' };
    const refused = await save({ ...given.document, brief }).expect(403);
    expect((refused.body as { detail: string }).detail).toContain('brief');
    const parties = { ...(given.document['parties'] as object), address: 'Seen on the doorstep' };
    await save({ ...given.document, parties }).expect(200);
    await sol.send('post', '/api/jobs', { document: newJob('No') }).expect(403);
    await sol.send('delete', `/api/jobs/${given.id}`).expect(403);
  });
});

describe('the demo', () => {
  it('is its visitor’s, has no accounts, and makes none', async () => {
    const demo = await openTestApp();
    const visitor = new Someone(demo.visitor());
    expect(await visitor.session()).toMatchObject({ state: 'signed-in', automatic: true, accountId: null });
    await visitor.send('post', '/api/session/setup', setup).expect(409);
    await visitor.send('post', '/api/session', { email: 'a@example.org', password: 'x' }).expect(409);
    await visitor
      .send('post', '/api/people/invitations', { email: 'a@example.org', role: 'owner' })
      .expect(409);
    await visitor.get('/api/people').expect(200);
    await demo.database.close();
  });
});

describe('signing in', () => {
  it('is refused for a while after too many failures, on whatever server, and forgiven to nobody else', async () => {
    const { path } = await invite('fay@example.org', 'viewer');
    await stranger().join(path, 'Fay', goodPassword);
    for (let tries = 0; tries < 8; tries += 1)
      await stranger().signIn('fay@example.org', `wrong ${tries}`, 401);
    await stranger().signIn('fay@example.org', goodPassword, 429);
    // A restart forgives nothing: it is kept in the database.
    const [row] = await test.database.source.query<{ n: string }[]>(
      "SELECT count(*) AS n FROM sign_in_failure WHERE key = 'account fay@example.org'",
    );
    expect(Number(row!.n)).toBe(8);
    await stranger().signIn('ada@example.org', goodPassword);
  });

  it('takes as long where there is no such account', async () => {
    const stored = await hashOf(goodPassword);
    const timeOf = async (hash: string | null): Promise<number> => {
      const begin = process.hrtime.bigint();
      for (let n = 0; n < 12; n += 1) await fits('wrong password of somebody', hash);
      return Number(process.hrtime.bigint() - begin);
    };
    await timeOf(null);
    const [known, unknown] = [await timeOf(stored), await timeOf(null)];
    expect(Math.abs(known - unknown) / known).toBeLessThan(0.6);
  });

  it('is written down, with no password anywhere', async () => {
    const { body } = await owner.get('/api/log').expect(200);
    const deeds = (body as { deed: string }[]).map(({ deed }) => deed);
    for (const deed of ['signed in', 'joined', 'role changed', 'member removed', 'job given to'])
      expect(deeds).toContain(deed);
    expect(JSON.stringify(body)).not.toContain('kettle');
  });
});
