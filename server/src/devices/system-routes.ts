import {
  recordingImportSchema,
  recordingQuerySchema,
  recordingRequestSchema,
  type SystemEvent,
  systemRequestSchema,
} from '@levamen/core/api';
import type { SystemAddress } from '@levamen/core/house';
import { Router } from 'express';
import * as z from 'zod';
import { eventStream } from '../http/event-stream.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { checkAllowed } from './allowed-address.js';
import { keptOutages } from './kept-outages.js';
import type { RecordingEntityRow } from './device-entities.js';
import type { RecordingStore } from './recording-store.js';
import { SystemLink } from './system-link.js';
import type { SystemRooms } from './system-rooms.js';

/** Numbers of an address come as text in a query. */
const watchedSchema = z
  .strictObject({ host: z.string(), port: z.coerce.number(), units: z.string(), httpPort: z.string() })
  .transform(({ httpPort, ...rest }) => ({ ...rest, httpPort: httpPort === '' ? null : Number(httpPort) }))
  .pipe(systemRequestSchema);

interface Parts {
  readonly rooms: SystemRooms;
  readonly store: RecordingStore;
  readonly networks: () => Promise<readonly string[]>;
  /** The job's id where it may be seen; throws a problem otherwise. */
  readonly seen: (id: string) => Promise<string>;
  readonly stopping: AbortSignal;
}

interface Parameters extends Record<string, string> {
  id: string;
  recording: string;
}

/** The devices of a job's system, under /api/jobs/:id/system: found, watched, recorded. */
export function systemRoutes({ rooms, store, networks, seen, stopping }: Parts): Router {
  const router = Router({ mergeParams: true });

  const allowed = async (address: SystemAddress): Promise<SystemAddress> => {
    checkAllowed(address.host, await networks());
    return address;
  };
  const recordingOf = async ({
    id,
    recording,
  }: Parameters): Promise<{ jobId: string; row: RecordingEntityRow }> => {
    const jobId = await seen(id);
    const row = await store.find(jobId, validId(recording, 'recording'));
    if (!row) throw notFound('recording');
    return { jobId, row };
  };

  router.post<Parameters>('/find', async (request, response) => {
    await seen(request.params.id);
    const link = new SystemLink(await allowed(parseBody(systemRequestSchema, request.body)));
    try {
      response.json(await link.find());
    } catch (error) {
      throw new HttpProblem(502, 'Nobody answers', error instanceof Error ? error.message : String(error));
    } finally {
      link.close();
    }
  });

  router.get<Parameters>('/live', async (request, response) => {
    const jobId = await seen(request.params.id);
    const address = await allowed(parseBody(watchedSchema, request.query));
    await eventStream<SystemEvent>(response, stopping, (tell) => rooms.enter(jobId, address, tell));
  });

  router.get<Parameters>('/recordings', async (request, response) => {
    response.json(await store.list(await seen(request.params.id)));
  });

  router.post<Parameters>('/recordings', async (request, response) => {
    const jobId = await seen(request.params.id);
    const { name, system } = parseBody(recordingRequestSchema, request.body);
    const row = await store.begin(jobId, name, await allowed(system), whoOf(request));
    await rooms.record(jobId, row);
    response
      .status(201)
      .json({ id: row.id, name, beganAt: row.beganAt.toISOString(), endedAt: null, samples: 0 });
  });

  router.post<Parameters>('/outages', async (request, response) => {
    const jobId = await seen(request.params.id);
    const system = await allowed(parseBody(systemRequestSchema, request.body));
    const { outages, problems } = await keptOutages(system, Date.now());
    const taken = [];
    for (const outage of outages)
      if (!(await store.beganThen(jobId, outage.beganAt)))
        taken.push(await store.take(jobId, outage, whoOf(request)));
    response.json({ taken, known: outages.length - taken.length, problems });
  });

  router.post<Parameters>('/recordings/import', async (request, response) => {
    const jobId = await seen(request.params.id);
    const asked = parseBody(recordingImportSchema, request.body);
    response.status(201).json(await store.take(jobId, asked, whoOf(request)));
  });

  router.post<Parameters>('/recordings/:recording/end', async (request, response) => {
    const { jobId, row } = await recordingOf(request.params);
    await store.end(row.id);
    if (row.endedAt === null) await rooms.end(jobId, row.id);
    response.status(204).end();
  });

  router.get<Parameters>('/recordings/:recording', async (request, response) => {
    const { jobId, row } = await recordingOf(request.params);
    const { after = -1 } = parseBody(recordingQuerySchema, request.query);
    if (row.endedAt === null) await rooms.flush(jobId);
    response.json({ rows: await store.rows(row.id, after) });
  });

  return router;
}
