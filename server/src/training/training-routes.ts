import { newTrainingRunSchema } from '@levamen/core/api';
import { Router } from 'express';
import { parseBody } from '../http/parse-body.js';
import { whoOf } from '../http/who-of.js';
import { accessOf } from '../people/access.js';
import type { TrainingStore } from './training-store.js';

/** How people did on simulated houses, under /api/training-runs: each sees his own, an owner everybody's. */
export function trainingRoutes(store: TrainingStore): Router {
  const router = Router();
  router.get('/', async (request, response) => {
    const access = accessOf(request);
    const seesAll = access === null || access.automatic || access.role === 'owner';
    response.json(await store.list({ accountId: access?.accountId ?? null, seesAll }));
  });
  router.post('/', async (request, response) => {
    const result = parseBody(newTrainingRunSchema, request.body);
    const accountId = accessOf(request)?.accountId ?? null;
    response.status(201).json(await store.keep(result, whoOf(request), accountId));
  });
  return router;
}
