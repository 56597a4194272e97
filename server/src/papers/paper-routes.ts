import { listPaperSchema } from '@levamen/core/api';
import { Router } from 'express';
import { fileStem } from '../http/file-stem.js';
import { parseBody } from '../http/parse-body.js';

/** Makes sheets of paper, under /api/papers. */
export function paperRoutes(): Router {
  const router = Router();
  router.post('/list', async (request, response) => {
    const asked = parseBody(listPaperSchema, request.body);
    // The makers of documents are large: they are fetched when the first one is asked for.
    const { listPdf } = await import('./list-pdf.js');
    response
      .attachment(`${fileStem(asked.title)}.pdf`)
      .type('application/pdf')
      .send(await listPdf(asked));
  });
  return router;
}
