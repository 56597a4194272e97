import { randomUUID } from 'node:crypto';
import type { ReadingSet, SavedReadingSet, Who } from '@levamen/core/api';
import { IsNull, type DataSource, type EntityManager } from 'typeorm';
import { BlobStore, digestOf } from '../blobs/blob-store.js';
import { DeedLog } from '../log/deed-log.js';
import { JobReadingSetEntity, ReadingChannelEntity, ReadingSetEntity } from './reading-entities.js';

/** What the readings of one job may take, those it removed included: undo and older revisions still find these. */
export const maxReadingBytesPerJob = 1_000_000_000;

interface SizedRow {
  id: string;
  name: string;
  zone: string;
  start_s: string;
  interval_s: number;
  count: number;
  channels: ReadingSet['channels'];
  created_at: Date;
  removed_at: Date | null;
  bytes: string;
  held: string;
}

export type ChannelKept = 'kept' | 'kept-otherwise';

/**
 * Keeps the meter data of jobs. Sets never change: what is said differently about a set makes a new one, which shares its values.
 * Whoever calls has made sure that the job may be seen.
 */
export class ReadingStore {
  private readonly blobs: BlobStore;
  private readonly log: DeedLog;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.blobs = new BlobStore(workspaceId);
    this.log = new DeedLog(workspaceId);
  }

  /** Sets of a job that were not removed, newest first, with the bytes they take. */
  async list(jobId: string): Promise<SavedReadingSet[]> {
    return (await this.sized(jobId, null)).filter(({ removed_at }) => removed_at === null).map(saved);
  }

  /** A set of a job, one that was removed too: an older revision may rest on it. */
  async find(jobId: string, id: string): Promise<SavedReadingSet | null> {
    const [row] = await this.sized(jobId, id);
    return row ? saved(row) : null;
  }

  /** Bytes all sets of a job take, each packed value counted once. */
  async bytesOf(jobId: string): Promise<number> {
    const [row] = await this.source.query<{ bytes: string }[]>(
      `SELECT coalesce(sum(bytes), 0) AS bytes FROM (
         SELECT DISTINCT b.digest, b.bytes FROM job_reading_set l
         JOIN reading_channel c ON c.set_id = l.set_id
         JOIN blob b ON b.workspace_id = c.workspace_id AND b.digest = c.digest
         WHERE l.job_id = $1) held`,
      [jobId],
    );
    return Number(row!.bytes);
  }

  /** Begins a set; its channels follow one by one. */
  async create(jobId: string, set: ReadingSet, who: Who): Promise<SavedReadingSet> {
    const id = randomUUID();
    await this.source.transaction(async (manager) => {
      await this.insert(manager, jobId, id, set);
      await this.log.write(manager, who, 'readings kept', jobId, { set: id, name: set.name });
    });
    return (await this.find(jobId, id))!;
  }

  /**
   * A new set with the same values of which something else is said (name, roles); it takes the old one's place in the job.
   */
  async say(
    jobId: string,
    old: SavedReadingSet,
    said: Pick<ReadingSet, 'name' | 'channels'>,
  ): Promise<SavedReadingSet> {
    const id = randomUUID();
    await this.source.transaction(async (manager) => {
      const { zone, startS, intervalS, count } = old;
      await this.insert(manager, jobId, id, { zone, startS, intervalS, count, ...said });
      await manager.query(
        `INSERT INTO reading_channel (set_id, position, workspace_id, digest)
         SELECT $1, position, workspace_id, digest FROM reading_channel WHERE set_id = $2`,
        [id, old.id],
      );
      await this.unlink(manager, jobId, old.id);
    });
    return (await this.find(jobId, id))!;
  }

  /** Takes a set out of the list of a job. Its values stay as long as a revision may ask for them. */
  async remove(jobId: string, id: string, who: Who): Promise<boolean> {
    return this.source.transaction(async (manager) => {
      const removed = await this.unlink(manager, jobId, id);
      if (removed) await this.log.write(manager, who, 'readings removed', jobId, { set: id });
      return removed;
    });
  }

  /** Keeps the values of a channel; a channel that has values already keeps them. */
  async putChannel(setId: string, position: number, payload: Buffer): Promise<ChannelKept> {
    return this.source.transaction(async (manager) => {
      const known = await manager.findOneBy(ReadingChannelEntity, { setId, position });
      if (known) return known.digest === digestOf(payload) ? 'kept' : 'kept-otherwise';
      const digest = await this.blobs.keep(manager, payload);
      await manager
        .createQueryBuilder()
        .insert()
        .into(ReadingChannelEntity)
        .values({ setId, position, workspaceId: this.workspaceId, digest })
        .orIgnore()
        .execute();
      return 'kept';
    });
  }

  async channel(setId: string, position: number): Promise<Buffer | null> {
    const { manager } = this.source;
    const row = await manager.findOneBy(ReadingChannelEntity, { setId, position });
    return row && this.blobs.read(manager, row.digest);
  }

  private async insert(manager: EntityManager, jobId: string, id: string, set: ReadingSet): Promise<void> {
    const { workspaceId } = this;
    await manager.insert(ReadingSetEntity, { id, workspaceId, ...set, startS: String(set.startS) });
    await manager.insert(JobReadingSetEntity, { jobId, setId: id, workspaceId });
  }

  private async unlink(manager: EntityManager, jobId: string, setId: string): Promise<boolean> {
    const { affected } = await manager.update(
      JobReadingSetEntity,
      { jobId, setId, removedAt: IsNull() },
      { removedAt: new Date() },
    );
    return affected === 1;
  }

  /** One query for all sets of a job, or for one. */
  private sized(jobId: string, id: string | null): Promise<SizedRow[]> {
    return this.source.query<SizedRow[]>(
      `SELECT s.id, s.name, s.zone, s.start_s, s.interval_s, s.count, s.channels, s.created_at, l.removed_at,
              coalesce(sum(b.bytes), 0) AS bytes, count(b.digest) AS held
       FROM job_reading_set l
       JOIN reading_set s ON s.id = l.set_id
       LEFT JOIN reading_channel c ON c.set_id = s.id
       LEFT JOIN blob b ON b.workspace_id = c.workspace_id AND b.digest = c.digest
       WHERE l.job_id = $1 AND l.workspace_id = $2 AND ($3::uuid IS NULL OR s.id = $3)
       GROUP BY s.id, l.removed_at
       ORDER BY s.created_at DESC, s.id
       LIMIT 200`,
      [jobId, this.workspaceId, id],
    );
  }
}

const saved = (row: SizedRow): SavedReadingSet => ({
  id: row.id,
  name: row.name,
  zone: row.zone,
  startS: Number(row.start_s),
  intervalS: row.interval_s,
  count: row.count,
  channels: row.channels,
  createdAt: row.created_at.toISOString(),
  bytes: Number(row.bytes),
  complete: Number(row.held) === row.channels.length,
});
