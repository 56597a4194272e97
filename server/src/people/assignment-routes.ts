import { assignedSchema } from '@levamen/core/api';
import { type Request, Router } from 'express';
import type { DataSource } from 'typeorm';
import { parseBody } from '../http/parse-body.js';
import { notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import type { JobStore } from '../jobs/job-store.js';
import { DeedLog } from '../log/deed-log.js';
import type { PeopleStore } from './people-store.js';

/** To whom a job is given, under /api/jobs/:id/people. */
export function assignmentRoutes(
  source: DataSource,
  workspaceId: string,
  people: PeopleStore,
  jobs: JobStore,
): Router {
  const router = Router({ mergeParams: true });
  const log = new DeedLog(workspaceId);
  const present = async (request: Request): Promise<string> => {
    const id = validId(request.params['id'], 'job');
    if (!(await jobs.exists(id))) throw notFound('job');
    return id;
  };

  router.get('/', async (request, response) => {
    response.json({ accountIds: await people.assigned(await present(request)) });
  });

  router.put('/', async (request, response) => {
    const id = await present(request);
    const { accountIds } = parseBody(assignedSchema, request.body);
    await people.assign(workspaceId, id, accountIds);
    await log.write(source.manager, whoOf(request), 'job given to', id, { people: accountIds.length });
    response.status(204).end();
  });
  return router;
}
