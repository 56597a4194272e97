import { housesQuestionSchema } from '@levamen/core/logbook';
import { Router } from 'express';
import * as z from 'zod';
import { parseBody } from '../http/parse-body.js';
import { notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import type { HousesStore, HousesTask } from './houses-store.js';

const dueQuerySchema = z.strictObject({ until: z.iso.date('Write the day as 2026-02-28') });

/**
 * What a company asks of all its houses, under /api/houses.
 *
 * @param add puts work at the end of the queue
 */
export function housesRoutes(
  store: HousesStore,
  add: (tasks: readonly HousesTask[]) => Promise<void>,
): Router {
  const router = Router();

  router.get('/due', async (request, response) => {
    response.json(await store.due(parseBody(dueQuerySchema, request.query).until));
  });

  router.get('/runs', async (_request, response) => {
    response.json(await store.list());
  });

  router.post('/runs', async (request, response) => {
    const { run, tasks } = await store.ask(parseBody(housesQuestionSchema, request.body));
    await add(tasks);
    response.status(201).location(`/api/houses/runs/${run.id}`).json(run);
  });

  router.get('/runs/:run', async (request, response) => {
    const found = await store.read(validId(request.params.run, 'question'));
    if (!found) throw notFound('question');
    response.json(found);
  });

  router.post('/runs/:run/cancel', async (request, response) => {
    if (!(await store.cancel(validId(request.params.run, 'question'))))
      throw notFound('question that goes on');
    response.status(204).end();
  });

  return router;
}
