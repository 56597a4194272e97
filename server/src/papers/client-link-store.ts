import { randomBytes } from 'node:crypto';
import type { Acceptance, ClientLink, NewClientLink, Who } from '@levamen/core/api';
import { revisionLetter } from '@levamen/core/papers';
import { type DataSource, In } from 'typeorm';
import { digestOf } from '../blobs/blob-store.js';
import { HttpProblem } from '../http/problem.js';
import { DeedLog } from '../log/deed-log.js';
import {
  AcceptanceEntity,
  type AcceptanceRow,
  ClientLinkEntity,
  type ClientLinkRow,
  PaperEntity,
  type PaperRow,
} from './paper-entities.js';

const dayMs = 86_400_000;

const linkOf = ({ id, paperId, createdAt, expiresAt, revokedAt, opened }: ClientLinkRow): ClientLink => ({
  id,
  paperId,
  createdAt: createdAt.toISOString(),
  expiresAt: expiresAt.toISOString(),
  revokedAt: revokedAt?.toISOString() ?? null,
  opened,
});

const acceptanceOf = ({ id, paperId, designName, name, at, cameFrom }: AcceptanceRow): Acceptance => ({
  id,
  paperId,
  designName,
  name,
  at: at.toISOString(),
  from: cameFrom,
});

/** Links by which households read papers, and what they said yes to, of a workspace. */
export class ClientLinkStore {
  private readonly log: DeedLog;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.log = new DeedLog(workspaceId);
  }

  /** Makes a link to a paper that a household may read; its secret is known now and never again. */
  async give(paper: PaperRow, days: number, who: Who): Promise<NewClientLink> {
    if (paper.content === null)
      throw new HttpProblem(
        409,
        'No link to this paper',
        'A household is given its proposal or its outage card by a link, as long as they are not erased.',
      );
    const secret = randomBytes(24).toString('base64url');
    return this.source.transaction(async (manager) => {
      const { identifiers } = await manager.insert(ClientLinkEntity, {
        workspaceId: this.workspaceId,
        paperId: paper.id,
        digest: digestOf(secret),
        expiresAt: new Date(Date.now() + days * dayMs),
      });
      const row = await manager.findOneByOrFail(ClientLinkEntity, {
        id: (identifiers[0] as { id: string }).id,
      });
      await this.log.write(manager, who, 'paper given', paper.jobId, {
        number: paper.number,
        letter: revisionLetter(paper.letterIndex),
        days,
      });
      return { ...linkOf(row), secret };
    });
  }

  /** Links and acceptances of papers. */
  async of(paperIds: readonly string[]): Promise<{ links: ClientLink[]; acceptances: Acceptance[] }> {
    const where = { workspaceId: this.workspaceId, paperId: In([...paperIds]) };
    const { manager } = this.source;
    const [links, acceptances] = await Promise.all([
      manager.find(ClientLinkEntity, { where, order: { createdAt: 'DESC' } }),
      manager.find(AcceptanceEntity, { where, order: { at: 'DESC' } }),
    ]);
    return { links: links.map(linkOf), acceptances: acceptances.map(acceptanceOf) };
  }

  /** Ends a link; false where there is none of that paper. */
  async end(paper: PaperRow, id: string, who: Who): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      const where = { id, paperId: paper.id, workspaceId: this.workspaceId };
      if (!(await manager.existsBy(ClientLinkEntity, where))) return false;
      await manager.update(ClientLinkEntity, where, { revokedAt: new Date() });
      await this.log.write(manager, who, 'link ended', paper.jobId, { number: paper.number });
      return true;
    });
  }

  /** The paper behind a link that holds; counts that it was opened. null = there is none. */
  async open(secret: string): Promise<{ link: ClientLinkRow; paper: PaperRow } | null> {
    const { manager } = this.source;
    const link = await manager.findOneBy(ClientLinkEntity, {
      digest: digestOf(secret),
      workspaceId: this.workspaceId,
    });
    if (!link || link.revokedAt !== null || link.expiresAt.getTime() <= Date.now()) return null;
    const paper = await manager.findOneBy(PaperEntity, { id: link.paperId, workspaceId: this.workspaceId });
    return paper && { link, paper };
  }

  async count(link: ClientLinkRow): Promise<void> {
    await this.source.manager.increment(ClientLinkEntity, { id: link.id }, 'opened', 1);
  }

  async acceptance(paperId: string): Promise<AcceptanceRow | null> {
    return this.source.manager.findOneBy(AcceptanceEntity, { paperId, workspaceId: this.workspaceId });
  }

  /** Writes down that a household says yes; 409 where it has said so already. */
  async accept(
    { link, paper }: { readonly link: ClientLinkRow; readonly paper: PaperRow },
    said: Pick<AcceptanceRow, 'designId' | 'designName' | 'name' | 'cameFrom' | 'agent'>,
  ): Promise<void> {
    await this.source.transaction(async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 17))', [paper.id]);
      if (await manager.existsBy(AcceptanceEntity, { paperId: paper.id }))
        throw new HttpProblem(409, 'Accepted already', 'This proposal has been accepted already.');
      await manager.insert(AcceptanceEntity, {
        workspaceId: this.workspaceId,
        paperId: paper.id,
        linkId: link.id,
        ...said,
      });
      await this.log.write(
        manager,
        { actor: said.name, device: 'by a link' },
        'proposal accepted',
        paper.jobId,
        {
          number: paper.number,
          letter: revisionLetter(paper.letterIndex),
          design: said.designName,
        },
      );
    });
  }
}
