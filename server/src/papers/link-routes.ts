import { clientLinkRequestSchema } from '@levamen/core/api';
import { Router } from 'express';
import { parseBody } from '../http/parse-body.js';
import { notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import type { ClientLinkStore } from './client-link-store.js';
import { presentPaper, type PaperStore } from './paper-store.js';

interface OfPaper extends Record<string, string> {
  id: string;
  paperId: string;
}

/**
 * Links by which households read papers of a job, under /api/jobs/:id/papers/:paperId/links.
 *
 * @param seen throws a problem where the job may not be seen
 */
export function linkRoutes(
  store: PaperStore,
  links: ClientLinkStore,
  seen: (id: string) => Promise<unknown>,
): Router {
  const router = Router({ mergeParams: true });
  const paperOf = async ({ id, paperId }: OfPaper) => {
    await seen(id);
    return presentPaper(await store.find(id, validId(paperId, 'paper')));
  };
  router.get<OfPaper>('/', async (request, response) => {
    response.json(await links.of([(await paperOf(request.params)).id]));
  });
  router.post<OfPaper>('/', async (request, response) => {
    const paper = await paperOf(request.params);
    const { days } = parseBody(clientLinkRequestSchema, request.body);
    response.status(201).json(await links.give(paper, days, whoOf(request)));
  });
  router.delete<OfPaper & { linkId: string }>('/:linkId', async (request, response) => {
    const paper = await paperOf(request.params);
    const ended = await links.end(paper, validId(request.params.linkId, 'link'), whoOf(request));
    if (!ended) throw notFound('link');
    response.status(204).end();
  });
  return router;
}
