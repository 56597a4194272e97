import { paperOrderRequestSchema, type OrderFormat, xlsxType } from '@levamen/core/api';
import type { Job } from '@levamen/core/job';
import { Router } from 'express';
import { fileStem } from '../http/file-stem.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { orderOf, presentPaper, type PaperStore } from './paper-store.js';
import { revisionLetter } from '@levamen/core/papers';

interface Parts {
  readonly store: PaperStore;
  readonly add: (orderId: string) => Promise<void>;
  /** Somebody looks at the papers of a job: one will be asked for soon. */
  readonly looked: () => void;
  /** The job's id where it may be seen; throws a problem otherwise. */
  readonly seen: (id: string) => Promise<string>;
  /** Its last revision, and the job as it is now; throws a problem where it may not be seen. */
  readonly headRevision: (id: string) => Promise<number>;
  readonly head: (id: string) => Promise<{ readonly revision: number; readonly job: Job }>;
  /** A revision in the present form; null where it cannot be read. */
  readonly revisionOf: (id: string, revision: number) => Promise<Job | null>;
}

interface OfPaper extends Record<string, string> {
  id: string;
  paperId: string;
}
interface OfOrder extends Record<string, string> {
  id: string;
  orderId: string;
}

const types: Readonly<Record<OrderFormat, readonly [type: string, ending: string]>> = {
  pdf: ['application/pdf', 'pdf'],
  xlsx: [xlsxType, 'xlsx'],
  csv: ['text/csv; charset=utf-8', 'csv'],
  svg: ['application/zip', 'zip'],
  zip: ['application/zip', 'zip'],
};

/** Papers of a job, under /api/jobs/:id/papers: orders of drafts and of papers to be issued, and those that were. */
export function jobPaperRoutes({ store, add, looked, seen, headRevision, head, revisionOf }: Parts): Router {
  const router = Router({ mergeParams: true });

  router.get<{ id: string }>('/', async (request, response) => {
    const { id } = request.params;
    const now = await head(id);
    looked();
    response.json(await store.list(id, now, (revision) => revisionOf(id, revision)));
  });

  router.post<{ id: string }>('/orders', async (request, response) => {
    const { id } = request.params;
    const revision = await headRevision(id);
    const asked = parseBody(paperOrderRequestSchema, request.body);
    if (asked.jobRevision > revision)
      throw new HttpProblem(
        409,
        'Not saved yet',
        'The job has no such revision yet. Wait until it is saved.',
      );
    const order = await store.order(id, asked, whoOf(request));
    await add(order.id);
    response.status(202).json(orderOf(order));
  });

  router.get<OfOrder>('/orders/:orderId', async (request, response) => {
    const { id } = request.params;
    await seen(id);
    const order = await store.findOrder(id, validId(request.params.orderId, 'order'));
    if (!order) throw notFound('order');
    response.json(orderOf(order));
  });

  router.delete<OfOrder>('/orders/:orderId', async (request, response) => {
    const { id } = request.params;
    await seen(id);
    const orderId = validId(request.params.orderId, 'order');
    if (!(await store.findOrder(id, orderId))) throw notFound('order');
    await store.cancel(id, orderId);
    response.status(204).end();
  });

  router.get<OfOrder>('/orders/:orderId/file', async (request, response) => {
    const { id } = request.params;
    await seen(id);
    const made = await store.result(id, validId(request.params.orderId, 'order'));
    if (!made) throw notFound('draft');
    const [type, ending] = types[made.asked.format];
    const name = `${fileStem(made.asked.format === 'zip' ? 'papers' : made.asked.request.kind)}.${ending}`;
    response.attachment(name).type(type).send(made.result);
  });

  router.get<OfPaper>('/:paperId/file', async (request, response) => {
    const { id } = request.params;
    await seen(id);
    const paper = presentPaper(await store.find(id, validId(request.params.paperId, 'paper')));
    const bytes = await store.bytes(paper);
    if (!bytes)
      throw new HttpProblem(
        410,
        'Erased',
        `Paper ${paper.number} ${revisionLetter(paper.letterIndex)} was erased. Its number and digest are kept: ${paper.digest}.`,
      );
    response
      .set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
      .attachment(`${fileStem(`${paper.number} ${revisionLetter(paper.letterIndex)} ${paper.title}`)}.pdf`)
      .type('application/pdf')
      .send(bytes);
  });

  router.delete<OfPaper>('/:paperId', async (request, response) => {
    const { id } = request.params;
    await seen(id);
    const paper = presentPaper(await store.find(id, validId(request.params.paperId, 'paper')));
    await store.erase(paper, whoOf(request));
    response.status(204).end();
  });

  return router;
}
