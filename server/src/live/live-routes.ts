import { type LiveEvent, liveQuerySchema } from '@levamen/core/api';
import { Router } from 'express';
import { eventStream } from '../http/event-stream.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { accessOf } from '../people/access.js';
import type { JobRooms } from './job-rooms.js';

const mostWindows = 50;

/**
 * What happens in a job that is open, under /api/jobs/:id/live, as server-sent events.
 *
 * @param headOf the newest revision of a job; null where there is no such job
 * @param stopping ends every stream: the server is told to stop
 */
export function liveRoutes(
  rooms: JobRooms,
  headOf: (id: string) => Promise<number | null>,
  stopping: AbortSignal,
): Router {
  const router = Router({ mergeParams: true });

  router.get<{ id: string }>('/', async (request, response) => {
    const { window, actor, device } = parseBody(liveQuerySchema, request.query);
    const jobId = validId(request.params.id, 'job');
    const revision = await headOf(jobId);
    if (revision === null) throw notFound('job');
    if ((await rooms.present(jobId)).length >= mostWindows)
      throw new HttpProblem(503, 'Too many windows', 'Very many windows show this job: close some of them.');
    const isNamed = accessOf(request)?.automatic === false;
    await eventStream<LiveEvent>(response, stopping, async (tell) => {
      const present = { window, actor: isNamed ? whoOf(request).actor : actor, device };
      const leave = await rooms.enter(jobId, present, tell);
      tell({ kind: 'head', revision });
      return leave;
    });
  });

  return router;
}
