import { readingSetSchema, type SavedReadingSet } from '@levamen/core/api';
import express, { Router } from 'express';
import * as z from 'zod';
import { bodyOf } from '../http/body-of.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { whoOf } from '../http/who-of.js';
import { unpackChannel } from './pack-channel.js';
import { maxReadingBytesPerJob, type ReadingStore } from './reading-store.js';

const maxChannelBytes = 24_000_000;
const uuid = z.uuid();
const changeSchema = readingSetSchema.pick({ name: true, channels: true });

interface Parameters extends Record<string, string> {
  id: string;
  set: string;
  position: string;
}

/**
 * Meter data of a job, under /api/jobs/:id/readings.
 *
 * @param seen the job's id where it may be seen; throws a problem otherwise
 */
export function readingRoutes(store: ReadingStore, seen: (id: string) => Promise<string>): Router {
  const router = Router({ mergeParams: true });

  const setOf = async ({ id, set }: Parameters): Promise<{ jobId: string; found: SavedReadingSet }> => {
    const jobId = await seen(id);
    const found = uuid.safeParse(set).success ? await store.find(jobId, set) : null;
    if (!found) throw notFound('set of readings');
    return { jobId, found };
  };

  router.get<Parameters>('/', async (request, response) => {
    response.json(await store.list(await seen(request.params.id)));
  });

  router.post<Parameters>('/', async (request, response) => {
    const jobId = await seen(request.params.id);
    const set = parseBody(readingSetSchema, request.body);
    if ((await store.bytesOf(jobId)) > maxReadingBytesPerJob) {
      throw new HttpProblem(
        413,
        'Too large',
        `The readings of a job may take ${maxReadingBytesPerJob / 1_000_000} MB, those that were removed included. Go on in a new job.`,
      );
    }
    response.status(201).json(await store.create(jobId, set, whoOf(request)));
  });

  router.get<Parameters>('/:set', async (request, response) => {
    response.json((await setOf(request.params)).found);
  });

  router.put<Parameters>('/:set', async (request, response) => {
    const { jobId, found } = await setOf(request.params);
    const change = parseBody(changeSchema, request.body);
    if (change.channels.length !== found.channels.length) {
      throw new HttpProblem(
        422,
        'Other channels',
        `This set has ${found.channels.length} channels; name as many.`,
      );
    }
    // A set never changes: the answer is a new one, and undo still finds the old.
    response.json(await store.say(jobId, found, change));
  });

  router.delete<Parameters>('/:set', async (request, response) => {
    const { jobId, found } = await setOf(request.params);
    await store.remove(jobId, found.id, whoOf(request));
    response.status(204).end();
  });

  router.put<Parameters>(
    '/:set/channels/:position',
    bodyOf(
      express.raw({ type: 'application/octet-stream', limit: maxChannelBytes }),
      'A channel of readings',
      maxChannelBytes,
    ),
    async (request, response) => {
      const { found } = await setOf(request.params);
      const position = positionIn(found, request.params.position);
      const values = Buffer.isBuffer(request.body)
        ? await unpackChannel(request.body).catch(() => null)
        : null;
      if (!values) throw new HttpProblem(422, 'Not a channel', 'The values are damaged. Send them again.');
      if (values.length !== found.count) {
        throw new HttpProblem(
          422,
          'Not a channel',
          `The set has ${found.count} values a channel; these are ${values.length}.`,
        );
      }
      const kept = await store.putChannel(found.id, position, request.body as Buffer);
      if (kept === 'kept-otherwise') {
        throw new HttpProblem(
          409,
          'Kept already',
          'This channel has its values, and they do not change. Make a new set for others.',
        );
      }
      response.status(204).end();
    },
  );

  router.get<Parameters>('/:set/channels/:position', async (request, response) => {
    const { found } = await setOf(request.params);
    const payload = await store.channel(found.id, positionIn(found, request.params.position));
    if (!payload) throw notFound('channel');
    // The values are deflated already.
    response.set('Cache-Control', 'no-transform, no-store').type('application/octet-stream').send(payload);
  });

  return router;
}

/** The place of a channel in its set. */
function positionIn({ channels }: SavedReadingSet, text: string): number {
  const position = Number(text);
  if (!/^\d{1,3}$/.test(text) || position >= channels.length) throw notFound('channel');
  return position;
}
