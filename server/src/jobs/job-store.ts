import { randomUUID } from 'node:crypto';
import AsyncLock from 'async-lock';
import { sameValue } from '@levamen/core/base';
import { type Job, jobVersion } from '@levamen/core/job';
import {
  type Changes,
  type JobPage,
  type JobQuery,
  jobsPerPage,
  type RevisionEntry,
  type SaveResult,
  type Storage,
  type Who,
} from '@levamen/core/api';
import { type CourseState, courseStateNames } from '@levamen/core/house';
import { In, IsNull, LessThan, Not, type DataSource, type EntityManager } from 'typeorm';
import { HttpProblem } from '../http/problem.js';
import { DeedLog, type Deed } from '../log/deed-log.js';
import { sharePhotos } from '../photos/photo-store.js';
import { JobEntity, JobRevisionEntity, type JobRow } from '../store/entities.js';
import { columnsOf, soughtText } from './job-columns.js';
import { thisProgram } from './this-program.js';
import { changesBetween, keepAs, RevisionDocuments } from './revision-document.js';

/** A revision as the database has it: the document may be of an older version, or not be valid any more. */
export interface StoredRevision extends Who {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly document: unknown;
}

/** The same, its document as the text the database has; null = it is kept as a difference. */
interface HeadRow extends Omit<StoredRevision, 'document'> {
  readonly document: string | null;
  /** It was found valid by this very program, and is kept as that reads it. */
  readonly isRead: boolean;
}

/** Of a job that does not lie in the bin. */
const present = 'AND j.deleted_at IS NULL';

export type SaveOutcome =
  | { readonly kind: 'saved'; readonly result: SaveResult }
  | { readonly kind: 'stale'; readonly theirs: StoredRevision; readonly base: unknown }
  | { readonly kind: 'missing' };

export interface Save {
  readonly baseRevision: number;
  readonly saveId: string;
  /** Earlier saves of the same page that got no answer. */
  readonly supersedes: readonly string[];
  readonly document: Job;
}

interface SummaryRow {
  id: string;
  name: string;
  place: string;
  load_count: number;
  due_on: string | null;
  due_text: string;
  state: string;
  head_revision: number;
  updated_at: Date;
  deleted_at: Date | null;
}

const sortColumn = {
  changed: 'updated_at',
  name: 'lower(name)',
  place: 'lower(place)',
  loads: 'load_count',
  due: 'due_on',
} as const;
/** Saves of one job wait for each other here, without a connection; more than these are told to come later. */
const maxWaitingSaves = 1000;

/** Keeps the jobs of one workspace. Every change of a job is one statement or transaction that appends a revision. */
export class JobStore {
  private readonly documents = new RevisionDocuments();
  private readonly turn = new AsyncLock({ maxPending: maxWaitingSaves });
  private readonly log: DeedLog;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.log = new DeedLog(workspaceId);
  }

  /**
   * One page of the jobs, or of the bin.
   *
   * @param givenTo only the jobs that are given to this account; null = all
   */
  async list(
    { search, sort, order, page, bin, state }: JobQuery,
    givenTo: string | null = null,
  ): Promise<JobPage> {
    // Only what is asked for stands in the statement: planning the rest takes longer than finding a page.
    const values: unknown[] = [this.workspaceId];
    const value = (one: unknown): string => `$${values.push(one)}`;
    const conditions = ['workspace_id = $1', `deleted_at IS ${bin ? 'NOT NULL' : 'NULL'}`];
    if (search !== '') {
      conditions.push(`sought LIKE ${value(`%${soughtText(search).replace(/[\\%_]/g, '\\$&')}%`)}`);
    }
    if (givenTo !== null)
      conditions.push(
        `EXISTS (SELECT FROM job_assignment a WHERE a.job_id = job.id AND a.account_id = ${value(givenTo)})`,
      );
    const counted = { where: conditions.join(' AND '), values: [...values] };
    const wanted = state === '' ? null : state === 'none' ? '' : state;
    if (wanted !== null) conditions.push(`state = ${value(wanted)}`);
    const direction = order === 'up' ? 'ASC' : 'DESC';
    // Where every row has a value, the order is that of its index.
    const nulls = sort === 'due' ? 'NULLS LAST' : '';
    const [rows, counts] = await Promise.all([
      this.source.query<SummaryRow[]>(
        `SELECT id, name, place, load_count, due_on::text, due_text, state, head_revision, updated_at, deleted_at FROM job
         WHERE ${conditions.join(' AND ')}
         ORDER BY ${sortColumn[sort]} ${direction} ${nulls}, id ${direction}
         LIMIT ${value(jobsPerPage)} OFFSET ${value((page - 1) * jobsPerPage)}`,
        values,
      ),
      this.source.query<{ state: string; total: string }[]>(
        `SELECT state, count(*) AS total FROM job WHERE ${counted.where} GROUP BY state`,
        counted.values,
      ),
    ]);
    return {
      rows: rows.map((row) => ({
        id: row.id,
        name: row.name,
        place: row.place,
        loadCount: row.load_count,
        due: row.due_on === null ? null : { on: row.due_on, text: row.due_text },
        state: stateOf(row.state),
        revision: row.head_revision,
        updatedAt: row.updated_at.toISOString(),
        deletedAt: row.deleted_at?.toISOString() ?? null,
      })),
      total: counts
        .filter((one) => wanted === null || one.state === wanted)
        .reduce((sum, { total }) => sum + Number(total), 0),
      states: counts.map((one) => ({ state: stateOf(one.state), count: Number(one.total) })),
      page,
    };
  }

  /** The job as last saved, or null where there is none (or it is deleted). */
  async read(id: string): Promise<StoredRevision | null> {
    return this.revisionOf(await this.head(id, present));
  }

  /**
   * The job as last saved; where this program has read it before, and it is kept as it was then, as the text of an answer: opening a job is the most
   * usual thing, and neither checks it again nor takes it apart. null where there is none.
   */
  async open(id: string): Promise<{ readonly text: string } | StoredRevision | null> {
    const row = await this.head(id, present);
    if (!row?.isRead) return this.revisionOf(row);
    const { document, name: _, isRead: __, ...facts } = row;
    const text = document ?? JSON.stringify(await this.documents.read(this.source.manager, id, row.revision));
    return { text: `${JSON.stringify(facts).slice(0, -1)},"document":${text}}` };
  }

  /** A revision was read; where it is kept as it was read, the next to open it need not check it. */
  async rememberRead({ id, revision, document }: StoredRevision, job: Job): Promise<void> {
    if (!sameValue(document, job)) return;
    await this.source.manager.update(
      JobEntity,
      { ...this.present(id), headRevision: revision },
      { readRevision: revision, readBy: thisProgram() },
    );
  }

  /** The job as last saved, one that lies in the bin, too. */
  async readAny(id: string): Promise<StoredRevision | null> {
    return this.revisionOf(await this.head(id, ''));
  }

  /** A revision in the present form, to compare with; null where there is none, or it cannot be read. */
  readable(id: string, revision: number): Promise<Job | null> {
    return this.documents.readable(this.source.manager, id, revision);
  }

  exists(id: string): Promise<boolean> {
    return this.source.manager.existsBy(JobEntity, this.present(id));
  }

  /** The newest revision of a job; null where there is no such job. */
  async headRevision(id: string): Promise<number | null> {
    const job = await this.source.manager.findOne(JobEntity, {
      where: this.present(id),
      select: { headRevision: true },
    });
    return job?.headRevision ?? null;
  }

  /**
   * Saves a new job as revision 1. An `id` that is taken already is left as it is.
   *
   * @param readingsOf another job whose readings it shares
   */
  async create(
    document: Job,
    who: Who,
    deed: Deed = 'job created',
    { id = randomUUID(), readingsOf }: { id?: string; readingsOf?: string } = {},
  ): Promise<StoredRevision> {
    return this.source.transaction(async (manager) => {
      const { raw } = await manager
        .createQueryBuilder()
        .insert()
        .into(JobEntity)
        .values({
          id,
          workspaceId: this.workspaceId,
          ...columnsOf(document),
          headRevision: 1,
          readRevision: 1,
          readBy: thisProgram(),
        })
        .orIgnore()
        .returning('id')
        .execute();
      if ((raw as unknown[]).length > 0) {
        await manager.insert(JobRevisionEntity, {
          jobId: id,
          revision: 1,
          workspaceId: this.workspaceId,
          saveId: randomUUID(),
          document,
          version: jobVersion,
          ...who,
        });
        if (readingsOf !== undefined) {
          await manager.query(
            `INSERT INTO job_reading_set (job_id, set_id, workspace_id)
             SELECT $1, set_id, workspace_id FROM job_reading_set WHERE job_id = $2 AND workspace_id = $3 AND removed_at IS NULL`,
            [id, readingsOf, this.workspaceId],
          );
        }
        const digests = [
          ...document.photos.map(({ digest }) => digest),
          ...document.logbook.documents.flatMap(({ file }) => (file ? [file.digest] : [])),
        ];
        await sharePhotos(manager, id, this.workspaceId, digests);
        await this.log.write(manager, who, deed, id, { name: document.name });
      }
      const job = await manager.findOneBy(JobEntity, this.present(id));
      if (!job) throw new Error(`Job ${id} was deleted or belongs to another workspace`);
      return (await this.stored(manager, job, job.headRevision))!;
    });
  }

  /**
   * Appends a revision when `baseRevision` is still the last one.
   *
   * Repeating a save with the same `saveId` gives the same answer and appends nothing. Where one of the saves it supersedes has
   * arrived after all, that is what it builds on.
   */
  async save(id: string, save: Save, who: Who): Promise<SaveOutcome> {
    return this.turn
      .acquire(id, () => this.saveInTurn(id, save, who))
      .catch((error: unknown) => {
        if (error instanceof Error && error.message.includes('Too many pending'))
          throw new HttpProblem(
            503,
            'Busy',
            'Too many saves of this job wait already. Your entries are kept; try again.',
          );
        throw error;
      });
  }

  private async saveInTurn(id: string, save: Save, who: Who): Promise<SaveOutcome> {
    const { manager } = this.source;
    const { baseRevision, saveId, supersedes } = save;
    const appended = await this.append(id, baseRevision, save, who);
    if (appended) return { kind: 'saved', result: appended };
    const job = await manager.findOneBy(JobEntity, this.present(id));
    if (!job) return { kind: 'missing' };
    const arrived = await manager.find(JobRevisionEntity, {
      where: { jobId: id, saveId: In([saveId, ...supersedes]) },
      select: { revision: true, saveId: true, savedAt: true },
      order: { revision: 'DESC' },
    });
    const repeated = arrived.find((row) => row.saveId === saveId);
    if (repeated) {
      const { revision, savedAt } = repeated;
      return { kind: 'saved', result: { revision, updatedAt: savedAt.toISOString() } };
    }
    const base = arrived[0]?.revision ?? baseRevision;
    const second = base === baseRevision ? null : await this.append(id, base, save, who);
    if (second) return { kind: 'saved', result: second };
    return {
      kind: 'stale',
      theirs: (await this.stored(manager, job, job.headRevision))!,
      base: await this.documents.read(manager, id, base),
    };
  }

  /** Marks a job deleted. False where there is none. */
  async delete(id: string, who: Who): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      const { affected } = await manager.update(JobEntity, this.present(id), { deletedAt: new Date() });
      if (affected === 1) await this.log.write(manager, who, 'job deleted', id);
      return affected === 1;
    });
  }

  /** Undoes {@link delete}. Null where there is no such job. */
  async restore(id: string, who: Who): Promise<StoredRevision | null> {
    await this.source.transaction(async (manager) => {
      const { affected } = await manager.update(
        JobEntity,
        { id, workspaceId: this.workspaceId, deletedAt: Not(IsNull()) },
        { deletedAt: null },
      );
      if (affected === 1) await this.log.write(manager, who, 'job brought back', id);
    });
    return this.read(id);
  }

  /** Writes down that a job left as a file. */
  exported(id: string, who: Who): Promise<void> {
    return this.log.write(this.source.manager, who, 'job exported', id);
  }

  /** Removes a deleted job for good, with its revisions and what no other job has. False where the bin has no such job. */
  async purge(id: string, who: Who): Promise<boolean> {
    const [row] = await this.source.query<{ done: boolean }[]>('SELECT purge_job($1, $2, $3, $4) AS done', [
      id,
      this.workspaceId,
      who.actor,
      who.device,
    ]);
    return row?.done === true;
  }

  /** What the workspace takes in the database. */
  async storage(): Promise<Storage> {
    const [row] = await this.source.query<Record<keyof Storage, string>[]>(
      `SELECT
         (SELECT count(*) FROM job WHERE workspace_id = $1 AND deleted_at IS NULL) AS jobs,
         (SELECT count(*) FROM job WHERE workspace_id = $1 AND deleted_at IS NOT NULL) AS "jobsInBin",
         pg_total_relation_size('job_revision') AS "revisionBytes",
         (SELECT coalesce(sum(bytes), 0) FROM blob WHERE workspace_id = $1) AS "blobBytes",
         (SELECT coalesce(sum(bytes), 0) FROM blob b WHERE workspace_id = $1 AND NOT EXISTS (
           SELECT FROM reading_channel c JOIN job_reading_set l ON l.set_id = c.set_id JOIN job ON job.id = l.job_id
           WHERE c.workspace_id = $1 AND c.digest = b.digest AND job.deleted_at IS NULL) AND NOT EXISTS (
           SELECT FROM job_photo p JOIN job ON job.id = p.job_id
           WHERE p.workspace_id = $1 AND p.digest = b.digest AND job.deleted_at IS NULL)) AS "binBlobBytes"`,
      [this.workspaceId],
    );
    const { jobs, jobsInBin, revisionBytes, blobBytes, binBlobBytes } = row!;
    return {
      jobs: Number(jobs),
      jobsInBin: Number(jobsInBin),
      revisionBytes: Number(revisionBytes),
      blobBytes: Number(blobBytes),
      binBlobBytes: Number(binBlobBytes),
    };
  }

  /** Revisions of a job before a certain one, newest first; null where there is no such job. */
  async revisions(id: string, before: number | undefined, limit: number): Promise<RevisionEntry[] | null> {
    if (!(await this.exists(id))) return null;
    const rows = await this.source.manager.find(JobRevisionEntity, {
      where: { jobId: id, ...(before === undefined ? {} : { revision: LessThan(before) }) },
      select: { revision: true, savedAt: true, actor: true, device: true, changes: true },
      order: { revision: 'DESC' },
      take: limit,
    });
    return rows.map(({ revision, savedAt, actor, device, changes }) => ({
      revision,
      savedAt: savedAt.toISOString(),
      actor,
      device,
      changes,
    }));
  }

  /** One revision of a job. */
  async revision(id: string, revision: number): Promise<StoredRevision | null> {
    const { manager } = this.source;
    const job = await manager.findOneBy(JobEntity, this.present(id));
    return job && this.stored(manager, job, revision);
  }

  private present(id: string) {
    return { id, workspaceId: this.workspaceId, deletedAt: IsNull() };
  }

  /**
   * Appends behind `baseRevision` in one statement, so that no connection is held while others wait.
   * Null where that is not the last revision any more, or the job is not there.
   */
  private async append(
    id: string,
    baseRevision: number,
    { saveId, document }: Save,
    who: Who,
  ): Promise<SaveResult | null> {
    const before = await this.documents.read(this.source.manager, id, baseRevision);
    if (!before) return null;
    const revision = baseRevision + 1;
    const kept = keepAs(before, document, revision);
    const changes: Changes = changesBetween(before, document);
    const { name, place, sought, loadCount, dueOn, dueText, dues, state, columnsVersion } =
      columnsOf(document);
    const json = (value: unknown): string | null => (value === null ? null : JSON.stringify(value));
    const [row] = await this.source.query<{ saved_at: Date }[]>(
      `WITH head AS (
         UPDATE job SET head_revision = $4, name = $5, place = $6, load_count = $7, due_on = $15, due_text = $16, state = $17,
           columns_version = $18, dues = $19::jsonb, sought = $20,
           read_revision = $4, read_by = $21, updated_at = clock_timestamp()
         WHERE id = $1 AND workspace_id = $2 AND head_revision = $3 AND deleted_at IS NULL
         RETURNING id, updated_at)
       INSERT INTO job_revision (job_id, revision, workspace_id, save_id, document, patch, version, actor, device, changes, saved_at)
       SELECT head.id, $4, $2, $8, $9::jsonb, $10::jsonb, $11, $12, $13, $14::jsonb, head.updated_at FROM head
       RETURNING saved_at`,
      [
        id,
        this.workspaceId,
        baseRevision,
        revision,
        name,
        place,
        loadCount,
        saveId,
        json(kept.document),
        json(kept.patch),
        jobVersion,
        who.actor,
        who.device,
        JSON.stringify(changes),
        dueOn,
        dueText,
        state,
        columnsVersion,
        JSON.stringify(dues),
        sought,
        thisProgram(),
      ],
    );
    if (!row) return null;
    this.documents.remember(id, revision, document);
    return { revision, updatedAt: row.saved_at.toISOString() };
  }

  /** The newest revision, its document as text; null where it is kept as a difference. */
  private async head(id: string, which: string): Promise<HeadRow | null> {
    const [row] = await this.source.query<(Omit<HeadRow, 'updatedAt'> & { updatedAt: Date })[]>(
      `SELECT j.id, j.name, r.revision, r.saved_at AS "updatedAt", r.actor, r.device, r.document::text AS document,
              j.read_revision = j.head_revision AND j.read_by = $3 AS "isRead"
         FROM job j JOIN job_revision r ON r.job_id = j.id AND r.revision = j.head_revision
        WHERE j.id = $1 AND j.workspace_id = $2 ${which}`,
      [id, this.workspaceId, thisProgram()],
    );
    return row ? { ...row, updatedAt: row.updatedAt.toISOString() } : null;
  }

  private async revisionOf(row: HeadRow | null): Promise<StoredRevision | null> {
    if (!row) return null;
    const document: unknown =
      row.document === null
        ? await this.documents.read(this.source.manager, row.id, row.revision)
        : JSON.parse(row.document);
    const { isRead: _, ...facts } = row;
    return document ? { ...facts, document } : null;
  }

  private async stored(
    manager: EntityManager,
    job: JobRow,
    revision: number,
  ): Promise<StoredRevision | null> {
    const [document, row] = [
      await this.documents.read(manager, job.id, revision),
      await manager.findOne(JobRevisionEntity, {
        where: { jobId: job.id, revision },
        select: { actor: true, device: true, savedAt: true },
      }),
    ];
    if (!document || !row) return null;
    const { actor, device, savedAt } = row;
    return {
      id: job.id,
      name: job.name,
      revision,
      updatedAt: savedAt.toISOString(),
      actor,
      device,
      document,
    };
  }
}

/** A state as the list has it; null = none was reached, or one that this program does not know. */
const stateOf = (text: string): CourseState | null => courseStateNames.find((name) => name === text) ?? null;
