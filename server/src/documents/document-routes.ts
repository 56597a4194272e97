import { documentDigestSchema, maxDocumentBytes } from '@levamen/core/house';
import express, { Router } from 'express';
import { digestOf } from '../blobs/blob-store.js';
import { bodyOf } from '../http/body-of.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { maxPhotoBytesPerJob, type PhotoStore } from '../photos/photo-store.js';

interface Parameters extends Record<string, string> {
  id: string;
  digest: string;
}

/** Every PDF begins so (ISO 32000-1, 7.5.2). */
const pdfBegins = Buffer.from('%PDF-');

/**
 * Documents of a job's logbook, under /api/jobs/:id/documents: PDF files, each under the digest of its bytes. They are kept where photos are.
 *
 * @param seen the job's id where it may be seen; throws a problem otherwise
 */
export function documentRoutes(store: PhotoStore, seen: (id: string) => Promise<string>): Router {
  const router = Router({ mergeParams: true });

  const named = ({ digest }: Parameters): string => {
    const read = documentDigestSchema.safeParse(digest);
    if (!read.success) throw notFound('document');
    return read.data;
  };

  router.put<Parameters>(
    '/:digest',
    bodyOf(express.raw({ type: 'application/pdf', limit: maxDocumentBytes }), 'A document', maxDocumentBytes),
    async (request, response) => {
      const jobId = await seen(request.params.id);
      const digest = named(request.params);
      const payload: unknown = request.body;
      if (!Buffer.isBuffer(payload) || !payload.subarray(0, pdfBegins.length).equals(pdfBegins))
        throw new HttpProblem(415, 'Not a document', 'Send a PDF file.');
      if (digestOf(payload) !== digest)
        throw new HttpProblem(
          422,
          'Not the document it is called',
          'Its bytes have another digest. Send it again.',
        );
      if ((await store.bytesOf(jobId)) + payload.length > maxPhotoBytesPerJob)
        throw new HttpProblem(
          413,
          'Too large',
          `Photos and documents of a job may take ${maxPhotoBytesPerJob / 1_000_000} MB, those that were removed included.`,
        );
      await store.keep(jobId, payload);
      response.status(204).end();
    },
  );

  router.get<Parameters>('/:digest', async (request, response) => {
    const digest = named(request.params);
    const payload = await store.read(await seen(request.params.id), digest);
    if (!payload?.subarray(0, pdfBegins.length).equals(pdfBegins)) throw notFound('document');
    // It comes from outside: it is taken away, never shown as a page of the program.
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
      .set('Content-Disposition', `attachment; filename="${digest.slice(0, 12)}.pdf"`)
      .type('application/pdf')
      .send(payload);
  });

  return router;
}
