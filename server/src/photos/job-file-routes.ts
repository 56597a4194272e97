import { digestSchema } from '@levamen/core/base';
import express, { Router } from 'express';
import { digestOf } from '../blobs/blob-store.js';
import { bodyOf } from '../http/body-of.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { maxPhotoBytesPerJob, type PhotoStore } from './photo-store.js';

/** A kind of file that is kept with a job. */
export interface JobFileKind {
  /** What one is called: "photo". */
  readonly name: string;
  readonly mediaType: string;
  readonly maxBytes: number;
  /** What one has to be sent as. */
  readonly sendAs: string;
  /** Begins as such a file does. */
  readonly isOne: (payload: Buffer) => boolean;
  /** Throws a problem where something else is wrong with it. */
  readonly check?: (payload: Buffer) => Promise<void>;
  /** What shares the room of a job: "Photos and documents of a job". */
  readonly sharing: string;
  /** What is said beside it when it is sent. */
  readonly headers?: (digest: string) => Readonly<Record<string, string>>;
}

interface Parameters extends Record<string, string> {
  id: string;
  digest: string;
}

/**
 * Files of a job, each under the digest of its bytes.
 *
 * @param seen the job's id where it may be seen; throws a problem otherwise
 */
export function jobFileRoutes(
  kind: JobFileKind,
  store: PhotoStore,
  seen: (id: string) => Promise<string>,
): Router {
  const { name, mediaType, maxBytes } = kind;
  const router = Router({ mergeParams: true });

  const named = ({ digest }: Parameters): string => {
    if (!digestSchema(name).safeParse(digest).success) throw notFound(name);
    return digest;
  };

  router.put<Parameters>(
    '/:digest',
    bodyOf(express.raw({ type: mediaType, limit: maxBytes }), `A ${name}`, maxBytes),
    async (request, response) => {
      const jobId = await seen(request.params.id);
      const digest = named(request.params);
      const payload: unknown = request.body;
      if (!Buffer.isBuffer(payload) || !kind.isOne(payload))
        throw new HttpProblem(415, `Not a ${name}`, kind.sendAs);
      if (digestOf(payload) !== digest)
        throw new HttpProblem(
          422,
          `Not the ${name} it is called`,
          'Its bytes have another digest. Send it again.',
        );
      await kind.check?.(payload);
      if ((await store.bytesOf(jobId)) + payload.length > maxPhotoBytesPerJob)
        throw new HttpProblem(
          413,
          'Too large',
          `${kind.sharing} may take ${maxPhotoBytesPerJob / 1_000_000} MB, those that were removed included.`,
        );
      await store.keep(jobId, payload);
      response.status(204).end();
    },
  );

  router.get<Parameters>('/:digest', async (request, response) => {
    const digest = named(request.params);
    const payload = await store.read(await seen(request.params.id), digest);
    if (!payload || !kind.isOne(payload)) throw notFound(name);
    // What lies under a digest never changes.
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
      .set(kind.headers?.(digest) ?? {})
      .type(mediaType)
      .send(payload);
  });

  return router;
}
