import type { ReadingSet, SavedReadingSet } from '@levamen/core';
import type { DataSource } from 'typeorm';
import { ReadingChannelEntity, ReadingSetEntity, type ReadingSetRow } from './reading-entities.js';

/** Keeps the meter data of jobs. Whoever calls has made sure that the job may be seen. */
export class ReadingStore {
  constructor(private readonly source: DataSource) {}

  /** Sets of a job, newest first, with the bytes they take. */
  async list(jobId: string): Promise<SavedReadingSet[]> {
    const rows = await this.source.manager.find(ReadingSetEntity, {
      where: { jobId },
      order: { createdAt: 'DESC', id: 'ASC' },
      take: 100,
    });
    return Promise.all(rows.map((row) => this.withSize(row)));
  }

  /** Begins a set; its channels follow one by one. */
  async create(jobId: string, set: ReadingSet): Promise<SavedReadingSet> {
    const { manager } = this.source;
    const { identifiers } = await manager.insert(ReadingSetEntity, {
      jobId,
      ...set,
      startS: String(set.startS),
    });
    const id = identifiers[0]!['id'] as string;
    return this.withSize(await manager.findOneByOrFail(ReadingSetEntity, { id }));
  }

  async find(jobId: string, id: string): Promise<SavedReadingSet | null> {
    const row = await this.source.manager.findOneBy(ReadingSetEntity, { id, jobId });
    return row && this.withSize(row);
  }

  /** Changes name and channel facts of a set; its values stay. */
  async change(jobId: string, id: string, change: Pick<ReadingSet, 'name' | 'channels'>): Promise<boolean> {
    const { affected } = await this.source.manager.update(ReadingSetEntity, { id, jobId }, change);
    return affected === 1;
  }

  async remove(jobId: string, id: string): Promise<boolean> {
    const { affected } = await this.source.manager.delete(ReadingSetEntity, { id, jobId });
    return affected === 1;
  }

  async putChannel(setId: string, position: number, payload: Buffer): Promise<void> {
    await this.source.manager.upsert(ReadingChannelEntity, { setId, position, payload }, [
      'setId',
      'position',
    ]);
  }

  async channel(setId: string, position: number): Promise<Buffer | null> {
    const row = await this.source.manager.findOneBy(ReadingChannelEntity, { setId, position });
    return row?.payload ?? null;
  }

  private async withSize(row: ReadingSetRow): Promise<SavedReadingSet> {
    const [size] = await this.source.query<{ bytes: string; held: string }[]>(
      'SELECT coalesce(sum(octet_length(payload)), 0) AS bytes, count(*) AS held FROM reading_channel WHERE set_id = $1',
      [row.id],
    );
    return {
      id: row.id,
      name: row.name,
      zone: row.zone,
      startS: Number(row.startS),
      intervalS: row.intervalS,
      count: row.count,
      channels: row.channels,
      createdAt: row.createdAt.toISOString(),
      bytes: Number(size!.bytes),
      complete: Number(size!.held) === row.channels.length,
    };
  }
}
