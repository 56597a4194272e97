import { maxDocumentBytes } from '@levamen/core/house';
import type { Router } from 'express';
import { jobFileRoutes } from '../photos/job-file-routes.js';
import type { PhotoStore } from '../photos/photo-store.js';

/** Every PDF begins so (ISO 32000-1, 7.5.2). */
const pdfBegins = Buffer.from('%PDF-');

/** Documents of a job's logbook, under /api/jobs/:id/documents, see {@link jobFileRoutes}: PDF files. They are kept where photos are. */
export const documentRoutes = (store: PhotoStore, seen: (id: string) => Promise<string>): Router =>
  jobFileRoutes(
    {
      name: 'document',
      mediaType: 'application/pdf',
      maxBytes: maxDocumentBytes,
      sendAs: 'Send a PDF file.',
      isOne: (payload) => payload.subarray(0, pdfBegins.length).equals(pdfBegins),
      sharing: 'Photos and documents of a job',
      // It comes from outside: it is taken away, never shown as a page of the program.
      headers: (digest) => ({ 'Content-Disposition': `attachment; filename="${digest.slice(0, 12)}.pdf"` }),
    },
    store,
    seen,
  );
