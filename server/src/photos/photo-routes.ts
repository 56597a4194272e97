import { maxPhotoBytes } from '@levamen/core/house';
import type { Router } from 'express';
import { checkPhoto } from './check-photo.js';
import { jobFileRoutes } from './job-file-routes.js';
import type { PhotoStore } from './photo-store.js';

/** Photos of a job, under /api/jobs/:id/photos, see {@link jobFileRoutes}. */
export const photoRoutes = (store: PhotoStore, seen: (id: string) => Promise<string>): Router =>
  jobFileRoutes(
    {
      name: 'photo',
      mediaType: 'image/jpeg',
      maxBytes: maxPhotoBytes,
      sendAs: 'Send it as image/jpeg.',
      isOne: () => true,
      check: checkPhoto,
      sharing: 'The photos of a job',
    },
    store,
    seen,
  );
