import { invitationLinkSchema, sessionSchema } from '@levamen/core/api';
import { generate } from 'otplib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { MailCatcher } from '../testing/mail-catcher.js';
import { goodPassword, Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { makePost } from './post.js';

let test: TestApp;
let owner: Someone;
const catcher = new MailCatcher();
const stranger = () => new Someone(test.visitor());
const address = 'https://levamen.example.org';

beforeAll(async () => {
  const url = await catcher.open();
  test = await openTestApp(true, { post: makePost({ url, from: 'levamen@example.org', address }) });
  owner = await stranger().setUp();
});
afterAll(async () => {
  await test.database.close();
  await catcher.close();
});

/** The path of the link in the newest letter to somebody. */
const linkTo = (email: string): string => {
  const letter = catcher.letters.findLast(({ to }) => to.includes(email));
  return new RegExp(`${address}(/join/\\S+)`).exec(letter?.text ?? '')?.[1] ?? '';
};
const lettersTo = (email: string): number => catcher.letters.filter(({ to }) => to.includes(email)).length;
const soon = (look: () => void) => expect.poll(() => (look(), true), { timeout: 10_000 }).toBe(true);
const forgets = (email: string, status = 202) =>
  stranger().send('post', '/api/session/forgotten', { email }).expect(status);

describe('where the installation sends mail', () => {
  it('an invitation goes out by a letter, and to nobody else', async () => {
    const { body } = await owner
      .send('post', '/api/people/invitations', { email: 'sol@example.org', role: 'surveyor' })
      .expect(201);
    expect(invitationLinkSchema.parse(body)).toMatchObject({ path: null, mail: 'sent' });
    const letter = catcher.letters.at(-1)!;
    expect(letter.to).toEqual(['sol@example.org']);
    expect(letter.text).toContain('Subject: Work with Hill Electric in Levamen');
    const sol = stranger();
    await sol.join(linkTo('sol@example.org'), 'Sol', goodPassword);
    expect(await sol.session()).toMatchObject({ state: 'signed-in', name: 'Sol' });
  });

  it('a letter that is not taken is no reason to give no link', async () => {
    catcher.isRefusing = true;
    const { body } = await owner
      .send('post', '/api/people/invitations', { email: 'vic@example.org', role: 'viewer' })
      .expect(201);
    catcher.isRefusing = false;
    const { path, mail } = invitationLinkSchema.parse(body);
    expect(mail).toBe('failed');
    await stranger().join(path!, 'Vic', goodPassword);
  });

  it('a forgotten password is set anew by a letter; the answer is the same where there is no such account', async () => {
    const before = catcher.letters.length;
    const [known, unknown] = [await forgets('sol@example.org'), await forgets('nobody@example.org')];
    expect([known.status, known.text]).toEqual([unknown.status, unknown.text]);
    await soon(() => expect(catcher.letters.length).toBe(before + 1));
    const another = 'gravel harbour oars eleven';
    const path = linkTo('sol@example.org').replace('/join/', '/api/session/join/');
    await stranger().send('post', path, { password: another }).expect(201);
    await stranger().signIn('sol@example.org', goodPassword, 401);
    await stranger().signIn('sol@example.org', another);
    // It is good once.
    await stranger().send('post', path, { password: goodPassword }).expect(404);
  });

  it('nobody is sent more than three an hour', async () => {
    for (let i = 0; i < 5; i += 1) await forgets('vic@example.org');
    await soon(() => expect(lettersTo('vic@example.org')).toBe(3));
    await new Promise((resolve) => setTimeout(resolve, 300));
    expect(lettersTo('vic@example.org')).toBe(3);
  });

  it('a letter opens no account past its second factor', async () => {
    const { body } = await owner.send('post', '/api/session/second-factor').expect(201);
    const { secret } = body as { secret: string };
    await owner.send('put', '/api/session/second-factor', { code: await generate({ secret }) }).expect(200);
    await forgets('ada@example.org');
    await soon(() => expect(lettersTo('ada@example.org')).toBe(1));
    const thief = stranger();
    const another = 'gravel harbour oars eleven';
    await thief
      .send('post', linkTo('ada@example.org').replace('/join/', '/api/session/join/'), { password: another })
      .expect(201);
    expect(await thief.session()).toEqual({ state: 'signed-out', mail: true });
    await thief.send('post', '/api/session', { email: 'ada@example.org', password: another }).expect(401);
  });

  it('the page knows that it may offer a letter', async () => {
    const { body } = await test.visitor().get('/api/session').expect(200);
    expect(sessionSchema.parse(body)).toEqual({ state: 'signed-out', mail: true });
  });
});

describe('where it sends none', () => {
  it('says so, and gives the link to whoever makes it', async () => {
    const other = await openTestApp(true);
    const someone = new Someone(other.visitor());
    await someone.send('post', '/api/session/forgotten', { email: 'ada@example.org' }).expect(409);
    await other.database.close();
  });
});
