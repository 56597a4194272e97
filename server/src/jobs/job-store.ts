import { randomUUID } from 'node:crypto';
import { readJob, type Job, type JobSummary, type SavedJob, type SaveResult } from '@levamen/core';
import { IsNull, Not, type DataSource, type EntityManager } from 'typeorm';
import { JobEntity, JobRevisionEntity, type JobRow } from '../store/entities.js';

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly result: SaveResult }
  | { readonly kind: 'stale'; readonly theirs: SavedJob; readonly base: Job | null }
  | { readonly kind: 'missing' };

interface SummaryRow {
  id: string;
  name: string;
  place: string;
  load_count: number;
  head_revision: number;
  updated_at: Date;
}

/** A document as the database has it, perhaps of an older version, in the present form. */
function inPresentForm(document: unknown): Job {
  const read = readJob(document);
  if (!read.ok) throw new Error(`A stored job cannot be read: ${JSON.stringify(read.problems[0])}`);
  return read.job;
}

/** Keeps the jobs of one workspace. Every change of a job is one transaction that appends a revision. */
export class JobStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** Jobs that are not deleted, the last changed first. */
  async list(): Promise<JobSummary[]> {
    const rows = await this.source.query<SummaryRow[]>(
      `SELECT job.id, job.name, job.head_revision, job.updated_at,
              coalesce(r.document #>> '{site,place}', '') AS place,
              jsonb_array_length(r.document -> 'loads') AS load_count
       FROM job JOIN job_revision r ON r.job_id = job.id AND r.revision = job.head_revision
       WHERE job.workspace_id = $1 AND job.deleted_at IS NULL
       ORDER BY job.updated_at DESC, job.id`,
      [this.workspaceId],
    );
    return rows.map((row) => ({
      id: row.id,
      name: row.name,
      place: row.place,
      loadCount: row.load_count,
      revision: row.head_revision,
      updatedAt: row.updated_at.toISOString(),
    }));
  }

  /** The job as last saved, or null where there is none (or it is deleted). */
  async read(id: string): Promise<SavedJob | null> {
    const job = await this.source.manager.findOneBy(JobEntity, this.present(id));
    return job ? this.head(this.source.manager, job) : null;
  }

  exists(id: string): Promise<boolean> {
    return this.source.manager.existsBy(JobEntity, this.present(id));
  }

  /** Saves a new job as revision 1. An `id` that is taken already is left as it is. */
  async create(document: Job, id: string = randomUUID()): Promise<SavedJob> {
    return this.source.transaction(async (manager) => {
      await manager
        .createQueryBuilder()
        .insert()
        .into(JobEntity)
        .values({ id, workspaceId: this.workspaceId, name: document.name, headRevision: 0 })
        .orIgnore()
        .execute();
      const job = await this.lock(manager, id);
      if (!job) throw new Error(`Job ${id} was deleted or belongs to another workspace`);
      if (job.headRevision === 0) await this.append(manager, job, document, randomUUID());
      return this.head(manager, job);
    });
  }

  /**
   * Appends a revision when `baseRevision` is still the last one.
   *
   * Repeating a save with the same `saveId` gives the same answer and appends nothing.
   */
  async save(id: string, baseRevision: number, saveId: string, document: Job): Promise<SaveOutcome> {
    return this.source.transaction(async (manager): Promise<SaveOutcome> => {
      const job = await this.lock(manager, id);
      if (!job) return { kind: 'missing' };
      const before = await manager.findOneBy(JobRevisionEntity, { jobId: id, saveId });
      if (before) {
        return {
          kind: 'saved',
          result: { revision: before.revision, updatedAt: before.savedAt.toISOString() },
        };
      }
      if (job.headRevision !== baseRevision) {
        const base = await manager.findOneBy(JobRevisionEntity, { jobId: id, revision: baseRevision });
        return {
          kind: 'stale',
          theirs: await this.head(manager, job),
          base: base ? inPresentForm(base.document) : null,
        };
      }
      return { kind: 'saved', result: await this.append(manager, job, document, saveId) };
    });
  }

  /** Marks a job deleted. False where there is none. */
  async delete(id: string): Promise<boolean> {
    const result = await this.source.manager.update(JobEntity, this.present(id), { deletedAt: new Date() });
    return result.affected === 1;
  }

  /** Undoes {@link delete}. Null where there is no such job. */
  async restore(id: string): Promise<SavedJob | null> {
    await this.source.manager.update(
      JobEntity,
      { id, workspaceId: this.workspaceId, deletedAt: Not(IsNull()) },
      { deletedAt: null },
    );
    return this.read(id);
  }

  /** Revisions of a job, newest first; null where there is no such job. */
  async revisions(id: string): Promise<{ revision: number; savedAt: string }[] | null> {
    const { manager } = this.source;
    if (!(await this.exists(id))) return null;
    const rows = await manager.find(JobRevisionEntity, {
      where: { jobId: id },
      select: { revision: true, savedAt: true },
      order: { revision: 'DESC' },
      take: 1000,
    });
    return rows.map(({ revision, savedAt }) => ({ revision, savedAt: savedAt.toISOString() }));
  }

  /** One revision of a job. */
  async revision(id: string, revision: number): Promise<SavedJob | null> {
    const { manager } = this.source;
    if (!(await this.exists(id))) return null;
    const row = await manager.findOneBy(JobRevisionEntity, { jobId: id, revision });
    return (
      row && { id, revision, updatedAt: row.savedAt.toISOString(), document: inPresentForm(row.document) }
    );
  }

  private present(id: string) {
    return { id, workspaceId: this.workspaceId, deletedAt: IsNull() };
  }

  private lock(manager: EntityManager, id: string): Promise<JobRow | null> {
    return manager.findOne(JobEntity, { where: this.present(id), lock: { mode: 'pessimistic_write' } });
  }

  private async append(
    manager: EntityManager,
    job: JobRow,
    document: Job,
    saveId: string,
  ): Promise<SaveResult> {
    const savedAt = new Date();
    job.headRevision += 1;
    job.name = document.name;
    job.updatedAt = savedAt;
    await manager.insert(JobRevisionEntity, {
      jobId: job.id,
      revision: job.headRevision,
      saveId,
      document,
      savedAt,
    });
    await manager.update(
      JobEntity,
      { id: job.id },
      { headRevision: job.headRevision, name: job.name, updatedAt: savedAt },
    );
    return { revision: job.headRevision, updatedAt: savedAt.toISOString() };
  }

  private async head(manager: EntityManager, job: JobRow): Promise<SavedJob> {
    const row = await manager.findOneByOrFail(JobRevisionEntity, {
      jobId: job.id,
      revision: job.headRevision,
    });
    return {
      id: job.id,
      revision: job.headRevision,
      updatedAt: job.updatedAt.toISOString(),
      document: inPresentForm(row.document),
    };
  }
}
