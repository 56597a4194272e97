import { companyRulesChangeSchema } from '@levamen/core/api';
import { Router } from 'express';
import { parseBody } from '../http/parse-body.js';
import { whoOf } from '../http/who-of.js';
import type { CompanyRulesStore } from './company-rules-store.js';

/** The company's own rules, under /api/rules. */
export function companyRulesRoutes(store: CompanyRulesStore): Router {
  const router = Router();
  router.get('/', async (_request, response) => {
    response.json(await store.read());
  });
  router.put('/', async (request, response) => {
    const change = parseBody(companyRulesChangeSchema, request.body);
    response.json(await store.change(change, whoOf(request)));
  });
  return router;
}
