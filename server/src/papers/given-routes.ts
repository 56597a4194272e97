import { acceptPaperSchema, type GivenPaper } from '@levamen/core/api';
import { type Paper, revisionLetter } from '@levamen/core/papers';
import express, { type Request, Router } from 'express';
import type { DataSource } from 'typeorm';
import { digestOf } from '../blobs/blob-store.js';
import { refuseDeepJson } from '../http/bounded-json.js';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import { JobStore } from '../jobs/job-store.js';
import { actingFor } from '../workspaces/fence.js';
import { ClientLinkStore } from './client-link-store.js';
import type { PaperRow } from './paper-entities.js';
import { PaperStore } from './paper-store.js';

const secretPattern = /^[A-Za-z0-9_-]{32}$/;
const gone = (): HttpProblem =>
  new HttpProblem(
    404,
    'No such link',
    'The link is not there, has ended, or was taken back. Ask your installer for a new one.',
  );

/** What households read and accept by a link, under /api/given: who has the link needs no account, and sees this one paper. */
export function givenRoutes(source: DataSource): Router {
  const router = Router();
  router.use(express.json({ limit: 10_000, strict: false, verify: refuseDeepJson }));

  /** Runs work for the workspace of a link that holds. */
  const behind = async <Result>(
    request: Request,
    work: (
      links: ClientLinkStore,
      found: NonNullable<Awaited<ReturnType<ClientLinkStore['open']>>>,
      workspaceId: string,
    ) => Promise<Result>,
  ): Promise<Result> => {
    const secret = String(request.params['secret']);
    if (!secretPattern.test(secret)) throw gone();
    const [row] = await source.query<{ id: string | null }[]>('SELECT workspace_of_link($1) AS id', [
      digestOf(secret),
    ]);
    const workspaceId = row?.id;
    if (!workspaceId) throw gone();
    return actingFor({ workspaceId, accountId: null }, async () => {
      const links = new ClientLinkStore(source, workspaceId);
      const found = await links.open(secret);
      if (!found?.paper.content) throw gone();
      return work(links, found, workspaceId);
    });
  };

  /** Designs of a proposal by their names at the time. */
  const designsOf = async (paper: PaperRow, workspaceId: string): Promise<{ id: string; name: string }[]> => {
    if (paper.kind !== 'proposal') return [];
    const job = await new JobStore(source, workspaceId).readable(paper.jobId, paper.jobRevision);
    return (job?.designs ?? [])
      .filter(({ id }) => paper.request.designIds.includes(id))
      .map(({ id, name }) => ({ id, name }));
  };

  router.get('/:secret', async (request, response) => {
    const given = await behind(request, async (links, { link, paper }, workspaceId): Promise<GivenPaper> => {
      await links.count(link);
      const content = paper.content as Paper;
      const accepted = await links.acceptance(paper.id);
      return {
        kind: paper.kind,
        language: paper.request.language,
        title: content.title,
        company: content.company[0] ?? '',
        issuedOn: paper.issuedAt.toISOString().slice(0, 10),
        number: `${paper.number} ${revisionLetter(paper.letterIndex)}`,
        caution: content.caution,
        // A card names no client: it is read by whoever the household shows it to.
        blocks: [...content.blocks],
        designs: await designsOf(paper, workspaceId),
        accepted: accepted && {
          designName: accepted.designName,
          name: accepted.name,
          at: accepted.at.toISOString(),
        },
      };
    });
    response.json(given);
  });

  router.get('/:secret/file', async (request, response) => {
    const { paper, bytes } = await behind(request, async (_links, found, workspaceId) => {
      // A card is for many eyes: its sheet has the name of the job on it.
      if (found.paper.kind !== 'proposal') throw notFound('file');
      return { paper: found.paper, bytes: await new PaperStore(source, workspaceId).bytes(found.paper) };
    });
    if (!bytes) throw gone();
    response
      .attachment(`${paper.number}-${revisionLetter(paper.letterIndex)}.pdf`)
      .type('application/pdf')
      .send(bytes);
  });

  router.post('/:secret/accept', async (request, response) => {
    const said = parseBody(acceptPaperSchema, request.body);
    await behind(request, async (links, found, workspaceId) => {
      if (found.paper.kind !== 'proposal') throw notFound('proposal');
      const replaced = await new PaperStore(source, workspaceId).isReplaced(found.paper);
      if (replaced)
        throw new HttpProblem(
          409,
          'Replaced',
          'There is a newer revision of this proposal. Ask your installer for its link.',
        );
      const design = (await designsOf(found.paper, workspaceId)).find(({ id }) => id === said.designId);
      if (!design) throw new HttpProblem(422, 'No such design', 'Choose one of the designs of the proposal.');
      await links.accept(found, {
        designId: design.id,
        designName: design.name,
        name: said.name,
        cameFrom: request.ip ?? '',
        agent: (request.get('user-agent') ?? '').slice(0, 200),
      });
    });
    response.status(201).json({ accepted: true });
  });
  return router;
}
