import { countSchema } from '@levamen/core/base';
import { Router } from 'express';
import type { DataSource } from 'typeorm';
import * as z from 'zod';
import { parseBody } from '../http/parse-body.js';
import { DeedLog } from './deed-log.js';

const querySchema = z.object({
  before: z.coerce.number().pipe(countSchema(1, Number.MAX_SAFE_INTEGER)).optional(),
  limit: z.coerce.number().pipe(countSchema(1, 500)).default(200),
});

/** Who did what, newest first, under /api/log. */
export function logRoutes(source: DataSource, workspaceId: string): Router {
  const router = Router();
  const log = new DeedLog(workspaceId);
  router.get('/', async (request, response) => {
    const { before, limit } = parseBody(querySchema, request.query);
    const deeds = await log.read(source.manager, before, limit);
    response.json(
      deeds.map(({ id, at, actor, device, deed, jobId, facts }) => ({
        id: Number(id),
        at: at.toISOString(),
        actor,
        device,
        deed,
        jobId,
        facts,
      })),
    );
  });
  return router;
}
