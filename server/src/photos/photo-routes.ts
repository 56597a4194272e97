import { maxPhotoBytes, photoDigestSchema } from '@levamen/core/house';
import express, { Router } from 'express';
import { digestOf } from '../blobs/blob-store.js';
import { bodyOf } from '../http/body-of.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { checkPhoto } from './check-photo.js';
import { maxPhotoBytesPerJob, type PhotoStore } from './photo-store.js';

interface Parameters extends Record<string, string> {
  id: string;
  digest: string;
}

/**
 * Photos of a job, under /api/jobs/:id/photos, each under the digest of its bytes.
 *
 * @param seen the job's id where it may be seen; throws a problem otherwise
 */
export function photoRoutes(store: PhotoStore, seen: (id: string) => Promise<string>): Router {
  const router = Router({ mergeParams: true });

  const named = ({ digest }: Parameters): string => {
    const read = photoDigestSchema.safeParse(digest);
    if (!read.success) throw notFound('photo');
    return read.data;
  };

  router.put<Parameters>(
    '/:digest',
    bodyOf(express.raw({ type: 'image/jpeg', limit: maxPhotoBytes }), 'A photo', maxPhotoBytes),
    async (request, response) => {
      const jobId = await seen(request.params.id);
      const digest = named(request.params);
      const payload: unknown = request.body;
      if (!Buffer.isBuffer(payload)) throw new HttpProblem(415, 'Not a photo', 'Send it as image/jpeg.');
      if (digestOf(payload) !== digest)
        throw new HttpProblem(
          422,
          'Not the photo it is called',
          'Its bytes have another digest. Send it again.',
        );
      await checkPhoto(payload);
      if ((await store.bytesOf(jobId)) + payload.length > maxPhotoBytesPerJob)
        throw new HttpProblem(
          413,
          'Too large',
          `The photos of a job may take ${maxPhotoBytesPerJob / 1_000_000} MB, those that were removed included.`,
        );
      await store.keep(jobId, payload);
      response.status(204).end();
    },
  );

  router.get<Parameters>('/:digest', async (request, response) => {
    const payload = await store.read(await seen(request.params.id), named(request.params));
    if (!payload) throw notFound('photo');
    // What lies under a digest never changes.
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
      .type('image/jpeg')
      .send(payload);
  });

  return router;
}
