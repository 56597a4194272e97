import { digestSchema } from '@levamen/core/base';
import { companySheetChangeSchema } from '@levamen/core/api';
import express, { Router } from 'express';
import { bodyOf } from '../http/body-of.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import { checkLogo, maxLogoBytes } from './check-logo.js';
import type { CompanySheetStore } from './company-sheet-store.js';

/** What the company prints on its papers, under /api/company-sheet. */
export function companySheetRoutes(store: CompanySheetStore): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await store.read());
  });
  router.put('/', async (request, response) => {
    const change = parseBody(companySheetChangeSchema, request.body);
    response.json(await store.change(change, whoOf(request)));
  });
  router.post(
    '/logo',
    bodyOf(express.raw({ type: ['image/png', 'image/jpeg'], limit: maxLogoBytes }), 'A mark', maxLogoBytes),
    async (request, response) => {
      const payload: unknown = request.body;
      if (!Buffer.isBuffer(payload) || payload.length === 0)
        throw new HttpProblem(415, 'Not a picture', 'Send it as image/png or image/jpeg.');
      checkLogo(payload);
      response.status(201).json({ digest: await store.keepLogo(payload) });
    },
  );
  router.get('/logo/:digest', async (request, response) => {
    const { digest } = request.params;
    const payload = digestSchema('picture').safeParse(digest).success ? await store.logo(digest) : null;
    if (!payload) throw notFound('mark');
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
      .type(checkLogo(payload))
      .send(payload);
  });
  return router;
}
