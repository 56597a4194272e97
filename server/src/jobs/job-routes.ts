import { beyondSurvey, type Job, mendJob, readJob } from '@levamen/core/job';
import {
  createRequestSchema,
  jobQuerySchema,
  revisionQuerySchema,
  type SavedJob,
  saveRequestSchema,
  type UnreadableJob,
} from '@levamen/core/api';
import { Router, type Request, type Response } from 'express';
import * as z from 'zod';
import { fileStem } from '../http/file-stem.js';
import { parseBody, parseJob } from '../http/parse-body.js';
import { HttpProblem, notFound, sendProblem } from '../http/problem.js';
import { validId } from '../http/valid-id.js';
import { whoOf } from '../http/who-of.js';
import { accessOf } from '../people/access.js';
import type { JobRooms } from '../live/job-rooms.js';
import { liveRoutes } from '../live/live-routes.js';
import { panelRoutes } from '../panels/panel-routes.js';
import type { ClientLinkStore } from '../papers/client-link-store.js';
import { jobPaperRoutes } from '../papers/job-paper-routes.js';
import { linkRoutes } from '../papers/link-routes.js';
import type { PaperStore } from '../papers/paper-store.js';
import { documentRoutes } from '../documents/document-routes.js';
import { photoRoutes } from '../photos/photo-routes.js';
import type { PhotoStore } from '../photos/photo-store.js';
import { systemRoutes } from '../devices/system-routes.js';
import type { RecordingStore } from '../devices/recording-store.js';
import type { SystemRooms } from '../devices/system-rooms.js';
import { readingRoutes } from '../readings/reading-routes.js';
import type { ReadingStore } from '../readings/reading-store.js';
import { applyPatch } from './apply-patch.js';
import type { JobStore, StoredRevision } from './job-store.js';

/** How many revisions back a readable one is looked for. */
const maxSearchedRevisions = 500;

const jobId = (request: Request): string => validId(request.params['id'], 'job');

const present = <T>(found: T | null): T => {
  if (found === null) throw notFound('job');
  return found;
};

const savedJob = ({ id, revision, updatedAt, actor, device }: StoredRevision, document: Job): SavedJob => ({
  id,
  revision,
  updatedAt,
  actor,
  device,
  document,
});

/** The stored job in the present form, or a 422 with what is wrong. */
const readable = (stored: StoredRevision): Job => {
  const read = readJob(stored.document);
  if (read.ok) return read.job;
  throw new HttpProblem(
    422,
    'The stored job cannot be read',
    `It is kept as it is. ${read.problems[0]!.message}.`,
    read.problems,
  );
};

/** What jobs are kept in, and who looks at them. */
export interface JobParts {
  readonly store: JobStore;
  readonly readings: ReadingStore;
  readonly photos: PhotoStore;
  readonly papers: PaperStore;
  readonly links: ClientLinkStore;
  /** Has an order of a paper worked on. */
  readonly order: (orderId: string) => Promise<void>;
  /** Somebody looks at the papers of a job. */
  readonly looksAtPapers: () => void;
  readonly rooms: JobRooms;
  /** Systems whose devices are asked, and what is recorded of them. */
  readonly systems: {
    readonly rooms: SystemRooms;
    readonly store: RecordingStore;
    readonly networks: () => Promise<readonly string[]>;
  };
  /** The server is told to stop. */
  readonly stopping: AbortSignal;
  /** What a new job begins with. */
  readonly begunWith: (job: Job) => Promise<Job>;
}

/** Routes under /api/jobs. */
export function jobRoutes({
  store,
  readings,
  photos,
  papers,
  links,
  order,
  looksAtPapers,
  rooms,
  systems,
  stopping,
  begunWith,
}: JobParts): Router {
  const router = Router();

  const created = (response: Response, stored: StoredRevision): void => {
    response
      .status(201)
      .location(`/api/jobs/${stored.id}`)
      .json(savedJob(stored, readable(stored)));
  };

  /** The job, or a 422 that says what is wrong and which ways there are on. */
  const answerWith = async (response: Response, stored: StoredRevision): Promise<void> => {
    const read = readJob(stored.document);
    if (read.ok) {
      response.json(savedJob(stored, read.job));
      // Where it cannot be noted (a full disk), the next one checks again.
      await store.rememberRead(stored, read.job).catch(() => undefined);
      return;
    }
    const mended = mendJob(stored.document);
    const extra: Pick<UnreadableJob, 'unreadable'> = {
      unreadable: {
        revision: stored.revision,
        name: stored.name,
        lastReadable: await lastReadable(stored),
        mended: mended && { document: mended.job, places: [...mended.places] },
      },
    };
    sendProblem(
      response,
      new HttpProblem(
        422,
        'The stored job cannot be read',
        'It is kept as it is, and can be downloaded as it is.',
        read.problems,
      ),
      extra,
    );
  };

  const lastReadable = async ({ id, revision }: StoredRevision): Promise<number | null> => {
    for (let before = revision - 1; before >= 1 && before > revision - maxSearchedRevisions; before -= 1) {
      const stored = await store.revision(id, before);
      if (stored && readJob(stored.document).ok) return before;
    }
    return null;
  };

  router.get('/', async (request, response) => {
    const access = accessOf(request);
    const givenTo = access?.role === 'surveyor' ? access.accountId : null;
    response.json(await store.list(parseBody(jobQuerySchema, request.query), givenTo));
  });

  router.post('/', async (request, response) => {
    const { document } = parseBody(createRequestSchema, request.body);
    const job = await begunWith(parseJob(document));
    created(response, await store.create(job, whoOf(request)));
  });

  router.post('/import', async (request, response) => {
    created(response, await store.create(parseJob(request.body), whoOf(request), 'job imported'));
  });

  router.get('/:id', async (request, response) => {
    const opened = present(await store.open(jobId(request)));
    if ('text' in opened) response.type('application/json').send(opened.text);
    else await answerWith(response, opened);
  });

  router.put('/:id', async (request, response) => {
    const id = jobId(request);
    const { baseRevision, saveId, supersedes, document, patch } = parseBody(saveRequestSchema, request.body);
    const before = await store.readable(id, baseRevision);
    const wanted = patch ? applyPatch(before, patch) : document;
    const job = parseJob(wanted, before);
    if (accessOf(request)?.role === 'surveyor') refuseBeyondSurvey(before, job);
    const who = whoOf(request);
    const outcome = await store.save(id, { baseRevision, saveId, supersedes, document: job }, who);
    if (outcome.kind === 'missing') throw notFound('job');
    if (outcome.kind === 'saved') {
      rooms.tell(id, { kind: 'saved', revision: outcome.result.revision, ...who });
      response.json(outcome.result);
      return;
    }
    const { theirs } = outcome;
    const base = readJob(outcome.base);
    sendProblem(
      response,
      new HttpProblem(
        409,
        'Changed elsewhere',
        `This job was saved elsewhere in the meantime (revision ${theirs.revision}; yours started from ${baseRevision}).`,
      ),
      { theirs: savedJob(theirs, readable(theirs)), base: base.ok ? base.job : null },
    );
  });

  router.post('/:id/duplicate', async (request, response) => {
    const id = jobId(request);
    const document = readable(present(await store.read(id)));
    const name = `${document.name.slice(0, 113)} (copy)`;
    created(
      response,
      await store.create({ ...document, name }, whoOf(request), 'job duplicated', { readingsOf: id }),
    );
  });

  router.delete('/:id', async (request, response) => {
    if (!(await store.delete(jobId(request), whoOf(request)))) throw notFound('job');
    response.status(204).end();
  });

  router.post('/:id/restore', async (request, response) => {
    await answerWith(response, present(await store.restore(jobId(request), whoOf(request))));
  });

  router.delete('/:id/purge', async (request, response) => {
    if (!(await store.purge(jobId(request), whoOf(request)))) throw notFound('job in the bin');
    response.status(204).end();
  });

  router.get('/:id/export', async (request, response) => {
    const stored = present(await store.read(jobId(request)));
    await store.exported(stored.id, whoOf(request));
    const read = readJob(stored.document);
    // What cannot be read leaves as it is: better a file to mend than none.
    send(response, stored.name, read.ok ? read.job : stored.document);
  });

  router.get('/:id/raw', async (request, response) => {
    const stored = present(await store.read(jobId(request)));
    await store.exported(stored.id, whoOf(request));
    send(response, `${stored.name} as stored`, stored.document);
  });

  router.get('/:id/revisions', async (request, response) => {
    const { before, limit } = parseBody(revisionQuerySchema, request.query);
    response.json(present(await store.revisions(jobId(request), before, limit)));
  });

  router.get('/:id/revisions/:revision', async (request, response) => {
    const revision = z.coerce.number().int().min(1).max(2_147_483_647).safeParse(request.params.revision);
    if (!revision.success) throw notFound('revision');
    const found = await store.revision(jobId(request), revision.data);
    if (!found) throw notFound('revision');
    response.json(savedJob(found, readable(found)));
  });

  router.use(
    '/:id/panels',
    panelRoutes(async (id) => readable(present(await store.read(validId(id, 'job'))))),
  );

  const seen = async (text: string): Promise<string> => {
    const id = validId(text, 'job');
    if (!(await store.exists(id))) throw notFound('job');
    return id;
  };
  router.use('/:id/readings', readingRoutes(readings, seen));
  router.use('/:id/system', systemRoutes({ ...systems, seen, stopping }));
  router.use('/:id/photos', photoRoutes(photos, seen));
  router.use('/:id/documents', documentRoutes(photos, seen));
  router.use('/:id/papers/:paperId/links', linkRoutes(papers, links, seen));
  router.use(
    '/:id/papers',
    jobPaperRoutes({
      store: papers,
      add: order,
      looked: looksAtPapers,
      seen,
      headRevision: async (text) => {
        const revision = await store.headRevision(validId(text, 'job'));
        if (revision === null) throw notFound('job');
        return revision;
      },
      head: async (text) => {
        const stored = present(await store.read(validId(text, 'job')));
        return { revision: stored.revision, job: readable(stored) };
      },
      revisionOf: (id, revision) => store.readable(id, revision),
    }),
  );
  router.use(
    '/:id/live',
    liveRoutes(rooms, (id) => store.headRevision(id), stopping),
  );

  return router;
}

/** @throws HttpProblem 403 where a surveyor changes more than a survey brings home */
function refuseBeyondSurvey(before: Job | null, after: Job): void {
  const changed = before ? beyondSurvey(before, after) : ['what nobody can compare'];
  if (changed.length === 0) return;
  throw new HttpProblem(
    403,
    'Not allowed',
    `A surveyor enters house, panels, loads, readings and photos; this changes ${changed.join(', ')}, too. A designer has to.`,
  );
}

function send(response: Response, name: string, document: unknown): void {
  response
    .attachment(`${fileStem(name)}.levamen.json`)
    .type('application/json')
    .send(`${JSON.stringify(document, null, 2)}\n`);
}
