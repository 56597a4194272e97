import { type LiveEvent, liveQuerySchema } from '@levamen/core/api';
import { Router } from 'express';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { accessOf } from '../people/access.js';
import type { JobRooms } from './job-rooms.js';

/** After so long the window has to ask again: whoever may see the job no longer is out then, ms. */
const lastsMs = 240_000;
/** Proxies end what is silent for a minute, ms. */
const silenceMs = 25_000;
/** A window that was cut off asks again after this, ms. */
const againMs = 3000;
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
    if (rooms.size(jobId) >= mostWindows)
      throw new HttpProblem(503, 'Too many windows', 'Very many windows show this job: close some of them.');
    const isNamed = accessOf(request)?.automatic === false;
    response
      .status(200)
      // Kept back by nobody on the way: neither by a cache, nor by compressing, nor by a proxy.
      .set({
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store, no-transform',
        'X-Accel-Buffering': 'no',
      });
    response.write(`retry: ${againMs}\n\n`);
    const tell = (event: LiveEvent): void => void response.write(`data: ${JSON.stringify(event)}\n\n`);
    tell({ kind: 'head', revision });
    const leave = rooms.enter(jobId, { window, actor: isNamed ? whoOf(request).actor : actor, device }, tell);
    const beat = setInterval(() => response.write(':\n\n'), silenceMs);
    const end = (): void => void response.end();
    const over = setTimeout(end, lastsMs);
    stopping.addEventListener('abort', end);
    response.on('close', () => {
      clearInterval(beat);
      clearTimeout(over);
      stopping.removeEventListener('abort', end);
      leave();
    });
  });

  return router;
}
