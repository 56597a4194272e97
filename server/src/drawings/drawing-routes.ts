import { drawingRequestSchema } from '@levamen/core/wiring';
import { Router } from 'express';
import { fileStem } from '../http/file-stem.js';
import { parseBody } from '../http/parse-body.js';

/** Makes PDF of drawings, under /api/drawings. */
export function drawingRoutes(): Router {
  const router = Router();
  router.post('/pdf', async (request, response) => {
    const asked = parseBody(drawingRequestSchema, request.body);
    // The makers of documents are large: they are fetched when the first one is asked for.
    const { drawingPdf } = await import('./drawing-pdf.js');
    response
      .attachment(`${fileStem(asked.title)}.pdf`)
      .type('application/pdf')
      .send(await drawingPdf(asked));
  });
  return router;
}
