import { diffJobs, type Job } from '@levamen/core/job';
import type { IssuedPaper, PaperOrder, PaperOrderRequest, Who } from '@levamen/core/api';
import { paperNumber, revisionLetter } from '@levamen/core/papers';
import { type DataSource, type EntityManager, In, MoreThan } from 'typeorm';
import { BlobStore } from '../blobs/blob-store.js';
import { notFound } from '../http/problem.js';
import { DeedLog } from '../log/deed-log.js';
import type { MadePaper } from './making/paper-task.js';
import { PaperEntity, PaperOrderEntity, type PaperOrderRow, type PaperRow } from './paper-entities.js';

/** Differences are named up to so many. */
const mostDifferences = 30;
/** Results that nobody has fetched, and orders that nobody asks about, are kept so long. */
const keptMin = 60;

/** Fields of a job that no paper shows. */
const beside = new Set(['openPoints', 'photos', 'course', 'version']);

/** What differs between two states of a job, in words; nothing of what no paper shows. */
export function differencesOf(before: Job, after: Job): string[] {
  const labels = diffJobs(before, after)
    .filter(({ path }) => !beside.has(path[0] ?? ''))
    .map(({ label }) => label);
  return labels.length > mostDifferences
    ? [...labels.slice(0, mostDifferences), `and ${labels.length - mostDifferences} more`]
    : labels;
}

/** What an issued paper is numbered by. */
export interface Numbered {
  readonly year: number;
  readonly running: number;
  readonly number: string;
  readonly letterIndex: number;
}

export const orderOf = ({ id, state, share, says, missing, paperId }: PaperOrderRow): PaperOrder => ({
  id,
  state,
  share,
  says,
  missing,
  paperId,
});

/** Papers that were issued, and orders of papers, of a workspace. */
export class PaperStore {
  private readonly blobs: BlobStore;
  private readonly log: DeedLog;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.blobs = new BlobStore(workspaceId);
    this.log = new DeedLog(workspaceId);
  }

  /** Writes an order down; older ones that nobody asks about go. */
  async order(jobId: string, asked: PaperOrderRequest, who: Who): Promise<PaperOrderRow> {
    const { manager } = this.source;
    await manager.query(
      `DELETE FROM paper_order WHERE workspace_id = $1 AND created_at < now() - make_interval(mins => $2)`,
      [this.workspaceId, keptMin],
    );
    const { identifiers } = await manager.insert(PaperOrderEntity, {
      workspaceId: this.workspaceId,
      jobId,
      asked,
      ...who,
    });
    return manager.findOneByOrFail(PaperOrderEntity, { id: (identifiers[0] as { id: string }).id });
  }

  /** An order without its result; null where there is none. */
  findOrder(jobId: string, id: string): Promise<PaperOrderRow | null> {
    return this.source.manager.findOne(PaperOrderEntity, {
      where: { id, jobId, workspaceId: this.workspaceId },
      select: { id: true, state: true, share: true, says: true, missing: true, paperId: true, asked: true },
    });
  }

  /** What was made for an order; null where nothing is. */
  async result(jobId: string, id: string): Promise<Pick<PaperOrderRow, 'result' | 'asked'> | null> {
    const row = await this.source.manager.findOneBy(PaperOrderEntity, {
      id,
      jobId,
      workspaceId: this.workspaceId,
      state: 'done',
    });
    return row?.result ? row : null;
  }

  /** Calls an order off; false where it is done with. */
  async cancel(jobId: string, id: string): Promise<boolean> {
    const { affected } = await this.source.manager.update(
      PaperOrderEntity,
      { id, jobId, workspaceId: this.workspaceId, state: In(['waiting', 'making']) },
      { state: 'cancelled', says: 'Called off' },
    );
    return affected === 1;
  }

  /** Takes an order to work on; null where it was called off or done. */
  async take(id: string): Promise<PaperOrderRow | null> {
    const { affected } = await this.source.manager.update(
      PaperOrderEntity,
      { id, workspaceId: this.workspaceId, state: In(['waiting', 'making']) },
      { state: 'making', share: 0.02, says: 'Begun', toldAt: new Date() },
    );
    return affected === 1 ? this.source.manager.findOneBy(PaperOrderEntity, { id }) : null;
  }

  /** Says how far an order is; false where it was called off. */
  async tell(id: string, share: number, says: string): Promise<boolean> {
    const { affected } = await this.source.manager.update(
      PaperOrderEntity,
      { id, workspaceId: this.workspaceId, state: 'making' },
      { share, says, toldAt: new Date() },
    );
    return affected === 1;
  }

  async fail(id: string, says: string): Promise<void> {
    await this.source.manager.update(
      PaperOrderEntity,
      { id, workspaceId: this.workspaceId, state: In(['waiting', 'making']) },
      { state: 'failed', says },
    );
  }

  /** Keeps what was made for an order that is a draft. */
  async keepDraft(id: string, { bytes, missing }: MadePaper): Promise<void> {
    await this.source.manager.update(
      PaperOrderEntity,
      { id, workspaceId: this.workspaceId, state: 'making' },
      { state: 'done', share: 1, says: 'Done', missing: [...missing], result: Buffer.from(bytes) },
    );
  }

  /** The number of the next paper of a year, or of the next revision of one. */
  async nextNumber(scheme: string, year: number, reissues: PaperRow | null): Promise<Numbered> {
    const { manager } = this.source;
    if (reissues) {
      const { year: of, running, number } = reissues;
      const [last] = await manager.find(PaperEntity, {
        where: { workspaceId: this.workspaceId, running },
        order: { letterIndex: 'DESC' },
        take: 1,
        select: { id: true, letterIndex: true },
      });
      return { year: of, running, number, letterIndex: last!.letterIndex + 1 };
    }
    const [row] = await manager.query<{ last: number | null }[]>(
      'SELECT max(running) AS last FROM paper WHERE workspace_id = $1',
      [this.workspaceId],
    );
    const running = (row?.last ?? 0) + 1;
    return { year, running, number: paperNumber(scheme, year, running), letterIndex: 0 };
  }

  /** Runs work while nobody else numbers a paper of this workspace. */
  numbering<T>(work: () => Promise<T>): Promise<T> {
    return this.source.transaction(async (manager) => {
      await manager.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 16))', [this.workspaceId]);
      return work();
    });
  }

  /** Freezes what was made: bytes, number, and what it was made from. */
  async issue(
    order: PaperOrderRow,
    made: MadePaper,
    numbered: Numbered,
    from: Pick<PaperRow, 'equipmentRevision' | 'rulePack' | 'changes'>,
  ): Promise<string> {
    const { id, jobId, asked, actor, device, accountId } = order;
    return this.source.transaction(async (manager) => {
      const { affected } = await manager.update(
        PaperOrderEntity,
        { id, state: 'making' },
        { state: 'done', share: 1, says: 'Issued', missing: [...made.missing] },
      );
      if (affected !== 1) throw new Error('The order was called off');
      const bytes = Buffer.from(made.bytes);
      const digest = await this.blobs.keep(manager, bytes);
      const { identifiers } = await manager.insert(PaperEntity, {
        workspaceId: this.workspaceId,
        jobId,
        kind: asked.request.kind,
        ...numbered,
        title: made.title,
        request: asked.request,
        actor,
        device,
        accountId,
        jobRevision: asked.jobRevision,
        ...from,
        digest,
        bytes: bytes.length,
        content: made.content,
      });
      const paperId = (identifiers[0] as { id: string }).id;
      await manager.update(PaperOrderEntity, { id }, { paperId });
      await this.log.write(manager, { actor, device }, 'paper issued', jobId, {
        number: numbered.number,
        letter: revisionLetter(numbered.letterIndex),
        title: made.title,
        digest,
      });
      return paperId;
    });
  }

  /** Does a later revision of it stand in its place? */
  isReplaced({ running, letterIndex }: PaperRow): Promise<boolean> {
    return this.source.manager.existsBy(PaperEntity, {
      workspaceId: this.workspaceId,
      running,
      letterIndex: MoreThan(letterIndex),
    });
  }

  find(jobId: string, id: string): Promise<PaperRow | null> {
    return this.source.manager.findOneBy(PaperEntity, { id, jobId, workspaceId: this.workspaceId });
  }

  /** The bytes of an issued paper, as they were issued; null where it was erased. */
  async bytes(paper: PaperRow): Promise<Buffer | null> {
    return paper.erasedAt ? null : this.blobs.read(this.source.manager, paper.digest);
  }

  /**
   * Papers of a job, newest first, with what differs since.
   *
   * @param revisionOf a revision of the job in the present form; null where it cannot be read
   * @param head the job as it is now
   */
  async list(
    jobId: string,
    head: { readonly revision: number; readonly job: Job },
    revisionOf: (revision: number) => Promise<Job | null>,
  ): Promise<IssuedPaper[]> {
    const rows = await this.source.manager.find(PaperEntity, {
      where: { jobId, workspaceId: this.workspaceId },
      order: { issuedAt: 'DESC', letterIndex: 'DESC' },
      take: 200,
      select: {
        id: true,
        kind: true,
        year: true,
        running: true,
        number: true,
        letterIndex: true,
        title: true,
        request: true,
        issuedAt: true,
        actor: true,
        jobRevision: true,
        equipmentRevision: true,
        rulePack: true,
        digest: true,
        bytes: true,
        changes: true,
        erasedAt: true,
      },
    });
    const newest = new Map<number, number>();
    for (const { running, letterIndex } of rows)
      newest.set(running, Math.max(newest.get(running) ?? -1, letterIndex));
    const known = new Map<number, string[]>([[head.revision, []]]);
    const differs = async (revision: number): Promise<string[]> => {
      const before = known.get(revision);
      if (before) return before;
      const then = await revisionOf(revision);
      const found = then
        ? differencesOf(then, head.job)
        : ['it was made from a revision that cannot be read any more'];
      known.set(revision, found);
      return found;
    };
    const listed: IssuedPaper[] = [];
    for (const row of rows) {
      const isReplaced = newest.get(row.running)! > row.letterIndex;
      listed.push({
        id: row.id,
        kind: row.kind,
        number: row.number,
        letter: revisionLetter(row.letterIndex),
        title: row.title,
        language: row.request.language,
        sheet: row.request.sheet,
        issuedAt: row.issuedAt.toISOString(),
        actor: row.actor,
        jobRevision: row.jobRevision,
        designIds: row.request.designIds,
        equipmentRevision: row.equipmentRevision,
        rulePack: row.rulePack,
        digest: row.digest,
        bytes: row.bytes,
        erasedAt: row.erasedAt?.toISOString() ?? null,
        isReplaced,
        differs: isReplaced || row.erasedAt ? [] : await differs(row.jobRevision),
        changes: row.changes,
      });
    }
    return listed;
  }

  /** Takes the bytes of a paper away; its number and digest stay. */
  async erase(paper: PaperRow, who: Who): Promise<boolean> {
    return this.source.transaction(async (manager: EntityManager) => {
      const [row] = await manager.query<{ erased: boolean }[]>('SELECT erase_paper($1, $2) AS erased', [
        paper.id,
        this.workspaceId,
      ]);
      if (!row?.erased) return false;
      await this.log.write(manager, who, 'paper erased', paper.jobId, {
        number: paper.number,
        letter: revisionLetter(paper.letterIndex),
        digest: paper.digest,
      });
      return true;
    });
  }
}

/** The paper, or 404. */
export function presentPaper(paper: PaperRow | null): PaperRow {
  if (!paper) throw notFound('paper');
  return paper;
}
