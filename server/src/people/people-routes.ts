import { invitationRequestSchema, policySchema, roleChangeSchema } from '@levamen/core/api';
import { type Request, Router } from 'express';
import type { DataSource } from 'typeorm';
import { parseBody } from '../http/parse-body.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { DeedLog, type Deed } from '../log/deed-log.js';
import type { PeopleStore } from './people-store.js';
import type { Sessions } from './sessions.js';

const memberId = (request: Request): string => validId(request.params['id'], 'member');

/** Who is a member and as what, under /api/people. */
export function peopleRoutes(
  source: DataSource,
  workspaceId: string,
  people: PeopleStore,
  sessions: Sessions,
): Router {
  const router = Router();
  const log = new DeedLog(workspaceId);
  const write = (request: Request, deed: Deed, facts: Record<string, string>): Promise<void> =>
    log.write(source.manager, whoOf(request), deed, null, facts);

  router.get('/', async (_request, response) => {
    response.json(await people.people(workspaceId));
  });

  router.post('/invitations', async (request, response) => {
    const { email, role } = parseBody(invitationRequestSchema, request.body);
    const link = await people.invite(workspaceId, email, role);
    await write(request, 'somebody invited', { role });
    response.status(201).json(link);
  });

  router.delete('/invitations/:id', async (request, response) => {
    await people.withdraw(workspaceId, validId(request.params.id, 'invitation'));
    response.status(204).end();
  });

  router.post('/:id/reset', async (request, response) => {
    const accountId = memberId(request);
    const link = await people.reset(workspaceId, accountId);
    await write(request, 'password reset offered', { accountId });
    response.status(201).json(link);
  });

  router.put('/policy', async (request, response) => {
    const { secondFactor } = parseBody(policySchema, request.body);
    await people.askForFactor(workspaceId, secondFactor);
    await write(request, 'second factor asked for', { asked: secondFactor ? 'yes' : 'no' });
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
