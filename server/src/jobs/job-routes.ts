import { conflictSchema, createRequestSchema, saveRequestSchema, type Conflict } from '@levamen/core';
import { Router, type Request } from 'express';
import * as z from 'zod';
import { fileStem } from '../http/file-stem.js';
import { parseBody, parseJob } from '../http/parse-body.js';
import { HttpProblem, notFound, sendProblem } from '../http/problem.js';
import { panelRoutes } from '../panels/panel-routes.js';
import { readingRoutes } from '../readings/reading-routes.js';
import type { ReadingStore } from '../readings/reading-store.js';
import type { JobStore } from './job-store.js';

const idSchema = z.uuid();

const jobId = (request: Request): string => validId(request.params['id']);

const validId = (text: unknown): string => {
  const id = idSchema.safeParse(text);
  if (!id.success) throw notFound('job');
  return id.data;
};

const present = <T>(found: T | null): T => {
  if (found === null) throw notFound('job');
  return found;
};

/** Routes under /api/jobs. */
export function jobRoutes(store: JobStore, readings: ReadingStore): Router {
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await store.list());
  });

  router.post('/', async (request, response) => {
    const { document } = parseBody(createRequestSchema, request.body);
    const created = await store.create(parseJob(document));
    response.status(201).location(`/api/jobs/${created.id}`).json(created);
  });

  router.post('/import', async (request, response) => {
    const created = await store.create(parseJob(request.body));
    response.status(201).location(`/api/jobs/${created.id}`).json(created);
  });

  router.get('/:id', async (request, response) => {
    response.json(present(await store.read(jobId(request))));
  });

  router.put('/:id', async (request, response) => {
    const id = jobId(request);
    const { baseRevision, saveId, document } = parseBody(saveRequestSchema, request.body);
    const job = parseJob(document);
    const outcome = await store.save(id, baseRevision, saveId, job);
    if (outcome.kind === 'missing') throw notFound('job');
    if (outcome.kind === 'saved') {
      response.json(outcome.result);
      return;
    }
    const { theirs, base } = outcome;
    const own: Pick<Conflict, 'yours' | 'theirs' | 'base'> = { yours: job, theirs, base };
    sendProblem(
      response,
      new HttpProblem(
        409,
        'Changed elsewhere',
        `This job was saved elsewhere in the meantime (revision ${theirs.revision}; yours started from ${baseRevision}).`,
      ),
      conflictSchema.pick({ yours: true, theirs: true, base: true }).parse(own),
    );
  });

  router.post('/:id/duplicate', async (request, response) => {
    const { document } = present(await store.read(jobId(request)));
    const name = `${document.name.slice(0, 113)} (copy)`;
    const created = await store.create({ ...document, name });
    response.status(201).location(`/api/jobs/${created.id}`).json(created);
  });

  router.delete('/:id', async (request, response) => {
    if (!(await store.delete(jobId(request)))) throw notFound('job');
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    response.json(present(await store.restore(jobId(request))));
  });

  router.get('/:id/export', async (request, response) => {
    const { document } = present(await store.read(jobId(request)));
    response
      .attachment(`${fileStem(document.name)}.levamen.json`)
      .type('application/json')
      .send(`${JSON.stringify(document, null, 2)}\n`);
  });

  router.get('/:id/revisions', async (request, response) => {
    response.json(present(await store.revisions(jobId(request))));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const revision = z.coerce.number().int().min(1).max(2_147_483_647).safeParse(request.params.revision);
    if (!revision.success) throw notFound('revision');
    const found = await store.revision(jobId(request), revision.data);
    if (!found) throw notFound('revision');
    response.json(found);
  });

  router.use(
    '/:id/panels',
    panelRoutes(async (id) => present(await store.read(validId(id))).document),
  );

  router.use(
    '/:id/readings',
    readingRoutes(readings, async (text) => {
      const id = validId(text);
      if (!(await store.exists(id))) throw notFound('job');
      return id;
    }),
  );

  return router;
}
