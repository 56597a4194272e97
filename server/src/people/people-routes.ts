import {
  companyRequestSchema,
  type InvitationLink,
  invitationRequestSchema,
  type LinkKind,
  policySchema,
  retentionSchema,
  roleChangeSchema,
} from '@levamen/core/api';
import { type Request, Router } from 'express';
import type { DataSource } from 'typeorm';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { DeedLog, type Deed } from '../log/deed-log.js';
import { linkLetter } from '../mail/letters.js';
import type { Post } from '../mail/post.js';
import { PersonalDataStore } from '../personal/personal-data.js';
import { defaultWorkspaceId } from '../store/default-workspace.js';
import type { MadeLink, PeopleStore } from './people-store.js';
import type { Sessions } from './sessions.js';

const memberId = (request: Request): string => validId(request.params['id'], 'member');

interface Parts {
  readonly source: DataSource;
  readonly workspaceId: string;
  readonly people: PeopleStore;
  readonly sessions: Sessions;
  /** null = links are shown to whoever makes them. */
  readonly post: Post | null;
}

/** Who is a member and as what, under /api/people. */
export function peopleRoutes({ source, workspaceId, people, sessions, post }: Parts): Router {
  const router = Router();
  const log = new DeedLog(workspaceId);
  const personal = new PersonalDataStore(source, workspaceId);
  const write = (request: Request, deed: Deed, facts: Record<string, string | number>): Promise<void> =>
    log.write(source.manager, whoOf(request), deed, null, facts);

  /** By mail where there is one; a letter that is not taken is no reason to give no link. */
  const given = async (link: MadeLink, kind: LinkKind): Promise<InvitationLink> => {
    const { id, path, email, company } = link;
    if (!post) return { id, path, mail: 'none' };
    try {
      await post.send(linkLetter(email, kind, company, `${post.address}${path}`));
      return { id, path: null, mail: 'sent' };
    } catch {
      return { id, path, mail: 'failed' };
    }
  };

  router.get('/', async (_request, response) => {
    response.json(await people.people(workspaceId));
  });

  router.post('/invitations', async (request, response) => {
    const { email, role } = parseBody(invitationRequestSchema, request.body);
    const link = await people.invite(workspaceId, email, role);
    await write(request, 'somebody invited', { role });
    response.status(201).json(await given(link, 'invitation'));
  });

  router.delete('/invitations/:id', async (request, response) => {
    await people.withdraw(workspaceId, validId(request.params.id, 'invitation'));
    response.status(204).end();
  });

  router.post('/:id/reset', async (request, response) => {
    const accountId = memberId(request);
    const link = await people.reset(workspaceId, accountId);
    await write(request, 'password reset offered', { accountId });
    response.status(201).json(await given(link, 'reset'));
  });

  router.put('/policy', async (request, response) => {
    const { secondFactor } = parseBody(policySchema, request.body);
    await people.askForFactor(workspaceId, secondFactor);
    await write(request, 'second factor asked for', { asked: secondFactor ? 'yes' : 'no' });
    response.status(204).end();
  });

  router.put('/retention', async (request, response) => {
    const retention = parseBody(retentionSchema, request.body);
    await people.keepFor(workspaceId, retention);
    await write(request, 'how long is kept', {
      binDays: retention.binDays ?? 'for good',
      logDays: retention.logDays ?? 'for good',
    });
    response.status(204).end();
  });

  router.post('/companies', async (request, response) => {
    const { name, email } = parseBody(companyRequestSchema, request.body);
    if (workspaceId !== defaultWorkspaceId)
      throw new HttpProblem(
        403,
        'Not allowed',
        'Another company is founded by the owner of the company that was the first of this installation.',
      );
    const link = await people.found(name, email);
    await write(request, 'company founded', { name });
    response.status(201).json(await given(link, 'invitation'));
  });

  router.get('/:id/data', async (request, response) => {
    const accountId = memberId(request);
    const data = await personal.of(accountId);
    await write(request, 'personal data given out', { accountId });
    response.json(data);
  });

  router.post('/:id/erasure', async (request, response) => {
    const lines = await personal.erase(memberId(request));
    await write(request, 'person erased', { lines });
    response.status(204).end();
  });

  router.put('/:id', async (request, response) => {
    const accountId = memberId(request);
    const { role } = parseBody(roleChangeSchema, request.body);
    await people.setRole(workspaceId, accountId, role);
    await write(request, 'role changed', { accountId, role });
    response.status(204).end();
  });

  router.delete('/:id', async (request, response) => {
    const accountId = memberId(request);
    await people.setRole(workspaceId, accountId, null);
    // He may be a member elsewhere, and signs in there again.
    await sessions.endOf(accountId, undefined);
    await write(request, 'member removed', { accountId });
    response.status(204).end();
  });
  return router;
}
