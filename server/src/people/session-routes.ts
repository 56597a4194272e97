import {
  acceptRequestSchema,
  factorConfirmSchema,
  factorRemoveSchema,
  forgottenRequestSchema,
  passwordChangeSchema,
  type Session,
  setupRequestSchema,
  signInRequestSchema,
  staleToken,
  tokenHeader,
} from '@levamen/core/api';
import { type Request, Router } from 'express';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import * as z from 'zod';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import { linkLetter } from '../mail/letters.js';
import type { Post } from '../mail/post.js';
import { DeedLog, type Deed } from '../log/deed-log.js';
import { PersonalDataStore } from '../personal/personal-data.js';
import { actingFor } from '../workspaces/fence.js';
import { type Access, accessOf } from './access.js';
import { newSecret } from './second-factor.js';
import type { PeopleStore } from './people-store.js';
import type { Sessions } from './sessions.js';
import { type SignInLimits, WrongSecret } from './sign-in-limits.js';

interface Parts {
  readonly source: DataSource;
  readonly people: PeopleStore;
  readonly sessions: Sessions;
  readonly limits: SignInLimits;
  readonly post: Post | null;
  readonly logger: Logger;
}

const addressOf = (request: Request): string => request.ip ?? '';

/** Signing in and out, and joining, under /api/session. What is done here is done before anybody has signed in. */
export function sessionRoutes({ source, people, sessions, limits, post, logger }: Parts): Router {
  const router = Router();

  /** Written into the log of every workspace of an account. */
  const write = async (
    request: Request,
    account: { id: string; name: string },
    deed: Deed,
  ): Promise<void> => {
    for (const { id } of await people.memberships(account.id))
      await actingFor({ workspaceId: id, accountId: account.id }, () =>
        new DeedLog(id).write(source.manager, { ...whoOf(request), actor: account.name }, deed, null),
      );
  };

  const answer = async (request: Request): Promise<Session> => {
    const access = accessOf(request);
    if (!access)
      return (await people.isEmpty()) ? { state: 'setup' } : { state: 'signed-out', mail: post !== null };
    const { accountId, name, email, workspaceId, automatic, secondFactor, mustAddFactor } = access;
    const workspaces = access.workspaces.map(({ id, name: called, role }) => ({ id, name: called, role }));
    return {
      state: 'signed-in',
      accountId,
      name,
      email,
      workspace: workspaces.find(({ id }) => id === workspaceId)!,
      workspaces,
      automatic,
      secondFactor,
      mustAddFactor,
      token: automatic ? '' : (request.session.token ?? ''),
    };
  };

  router.get('/', async (request, response) => {
    response.json(await answer(request));
  });

  router.post('/setup', async (request, response) => {
    const account = await people.setUp(parseBody(setupRequestSchema, request.body));
    await sessions.begin(request, account.id, whoOf(request).device);
    await write(request, account, 'owner entered');
    response.status(201).end();
  });

  router.post('/', async (request, response) => {
    const { email, password, code } = parseBody(signInRequestSchema, request.body);
    const account = await limits.watching(email, addressOf(request), async () => {
      const known = await people.known(email, password);
      if (!known)
        throw new WrongSecret(
          401,
          'Not signed in',
          'Mail address and password do not belong together. Try again, or ask the owner for a link that sets the password anew.',
        );
      if (known.totpSecret === null) return known;
      if (code === undefined)
        throw new HttpProblem(401, 'A code is asked for', 'Enter the code that your authenticator shows.', [
          { path: 'code', message: 'Enter the code that your authenticator shows, or a recovery code' },
        ]);
      if (!(await people.useCode(known.id, code)))
        throw new WrongSecret(401, 'Not signed in', 'This code is not good, or has been used.', [
          { path: 'code', message: 'This code is not good, or has been used: wait for the next one' },
        ]);
      return known;
    });
    await limits.forgive(email);
    await sessions.begin(request, account.id, whoOf(request).device);
    await write(request, account, 'signed in');
    response.status(201).end();
  });

  router.post('/forgotten', (request, response) => {
    const { email } = parseBody(forgottenRequestSchema, request.body);
    if (!post)
      throw new HttpProblem(
        409,
        'No mail',
        'This installation sends no mail: ask the owner of your company.',
      );
    // The answer is the same, and comes as soon, whether there is such an account or not.
    response.status(202).end();
    people
      .forgotten(email)
      .then(
        (link) =>
          link && post.send(linkLetter(email, 'forgotten', link.company, `${post.address}${link.path}`)),
      )
      .catch((error: unknown) => logger.error({ err: error }, 'a letter was not sent'));
  });

  router.delete('/', async (request, response) => {
    if (accessOf(request)) await sessions.end(request);
    response.status(204).end();
  });

  /** Who asks: only somebody who has signed in. */
  const own = (request: Request): Access & { readonly accountId: string } => {
    const access = accessOf(request);
    if (!access?.accountId) throw new HttpProblem(401, 'Not signed in', 'Sign in first.');
    refuseWithoutToken(request);
    return { ...access, accountId: access.accountId };
  };

  router.get('/list', async (request, response) => {
    response.json(await sessions.of(own(request).accountId, request.session.publicId));
  });

  router.get('/data', async (request, response) => {
    const { accountId, workspaceId } = own(request);
    response.json(
      await actingFor({ workspaceId, accountId }, () =>
        new PersonalDataStore(source, workspaceId).of(accountId),
      ),
    );
  });

  router.delete('/others', async (request, response) => {
    const { accountId } = own(request);
    await sessions.endOf(accountId, request.session.publicId);
    response.status(204).end();
  });

  router.put('/password', async (request, response) => {
    const { accountId, name } = own(request);
    const { before, password } = parseBody(passwordChangeSchema, request.body);
    await limits.watching(accountId, addressOf(request), () =>
      people.changePassword(accountId, before, password),
    );
    // Whoever had the old one is out.
    await sessions.endOf(accountId, request.session.publicId);
    await write(request, { id: accountId, name }, 'password changed');
    response.status(204).end();
  });

  router.post('/second-factor', async (request, response) => {
    const offer = await newSecret(own(request).email);
    request.session.offered = offer.secret;
    response.status(201).json(offer);
  });

  router.put('/second-factor', async (request, response) => {
    const { accountId, name } = own(request);
    const { code } = parseBody(factorConfirmSchema, request.body);
    const { offered } = request.session;
    if (!offered) throw new HttpProblem(409, 'No key', 'Ask for a key first.');
    const codes = await people.addFactor(accountId, offered, code);
    request.session.offered = null;
    await sessions.endOf(accountId, request.session.publicId);
    await write(request, { id: accountId, name }, 'second factor added');
    response.json({ codes });
  });

  router.delete('/second-factor', async (request, response) => {
    const { accountId, name } = own(request);
    const { password } = parseBody(factorRemoveSchema, request.body);
    await limits.watching(accountId, addressOf(request), () => people.removeFactor(accountId, password));
    await write(request, { id: accountId, name }, 'second factor removed');
    response.status(204).end();
  });

  router.put('/workspace', async (request, response) => {
    const { workspaces } = own(request);
    const { id } = parseBody(z.strictObject({ id: z.uuid() }), request.body);
    if (!workspaces.some((one) => one.id === id)) throw notFound('company');
    request.session.workspaceId = id;
    response.status(204).end();
  });

  router.get('/join/:link', async (request, response) => {
    response.json(await people.invited(request.params.link));
  });

  router.post('/join/:link', async (request, response) => {
    const asked = parseBody(acceptRequestSchema, request.body);
    const { email } = await people.invited(request.params.link);
    const account = await limits.watching(email, addressOf(request), () =>
      people.accept(request.params.link, asked),
    );
    await sessions.endOf(account.id, undefined);
    // A link and a password stand for no second factor: who has one signs in with it.
    if (account.totpSecret === null) await sessions.begin(request, account.id, whoOf(request).device);
    await write(request, account, 'joined');
    response.status(201).end();
  });
  return router;
}

/** Requests that change something carry the token of their session: a page of another site cannot know it. */
export function refuseWithoutToken(request: Request): void {
  if (request.method === 'GET' || request.method === 'HEAD') return;
  if (accessOf(request)?.automatic !== false) return;
  if (request.get(tokenHeader) !== request.session.token)
    throw new HttpProblem(403, staleToken, 'Reload the page, then do it again.');
}
