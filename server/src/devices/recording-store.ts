import {
  longestRecordingS,
  mostRecordings,
  type Recording,
  type RecordingImport,
  type RecordingRow,
  type Who,
} from '@levamen/core/api';
import type { SystemAddress } from '@levamen/core/house';
import { type DataSource, type EntityManager, IsNull } from 'typeorm';
import { isConnected } from '../events/events.js';
import { HttpProblem } from '../http/problem.js';
import { RecordingChunkEntity, RecordingEntity, type RecordingEntityRow } from './device-entities.js';
import { packSamples, unpackSamples } from './pack-samples.js';

/** A server of which nothing is heard for so long records no more: another takes over, s. */
const silentS = 25;
const isRecorded = `(recorder IS NOT NULL AND heard_at > now() - make_interval(secs => ${silentS}) AND ${isConnected('recorder')})`;
/** Rows of a file are kept so many together. */
const rowsOfChunk = 3600;

/** Keeps what is recorded of systems. Whoever calls has made sure that the job may be seen. */
export class RecordingStore {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {}

  /** Recordings of a job, newest first. */
  async list(jobId: string): Promise<Recording[]> {
    const rows = await this.source.query<
      { id: string; name: string; began_at: Date; ended_at: Date | null; samples: string }[]
    >(
      `SELECT r.id, r.name, r.began_at, r.ended_at, coalesce(sum(c.samples), 0) AS samples
         FROM recording r LEFT JOIN recording_chunk c ON c.recording_id = r.id
        WHERE r.job_id = $1 GROUP BY r.id ORDER BY r.began_at DESC`,
      [jobId],
    );
    return rows.map(({ id, name, began_at, ended_at, samples }) => ({
      id,
      name,
      beganAt: began_at.toISOString(),
      endedAt: ended_at?.toISOString() ?? null,
      samples: Number(samples),
    }));
  }

  /** The recording of a job that goes on; one that was forgotten ends here. */
  async running(
    jobId: string,
    manager: EntityManager = this.source.manager,
  ): Promise<RecordingEntityRow | null> {
    const row = await manager.findOneBy(RecordingEntity, { jobId, endedAt: IsNull() });
    if (!row || Date.now() - row.beganAt.getTime() < longestRecordingS * 1000) return row;
    await this.end(row.id, manager);
    return null;
  }

  async find(jobId: string, id: string): Promise<RecordingEntityRow | null> {
    return this.source.manager.findOneBy(RecordingEntity, { jobId, id });
  }

  /** Begins one; a job has one at a time, whoever else begins one in the same moment. */
  async begin(jobId: string, name: string, system: SystemAddress, who: Who): Promise<RecordingEntityRow> {
    return this.source.transaction(async (manager) => {
      await manager.query('SELECT 1 FROM job WHERE id = $1 FOR UPDATE', [jobId]);
      if (await this.running(jobId, manager))
        throw new HttpProblem(
          409,
          'It goes on',
          'A recording of this job goes on: end it before another begins.',
        );
      await this.checkRoom(jobId, manager);
      return manager.save(RecordingEntity, { workspaceId: this.workspaceId, jobId, name, system, ...who });
    });
  }

  /** Keeps one that is over: read from a file, or told by a system; of it, what else is known. */
  async take(
    jobId: string,
    { name, beganAt, rows }: Omit<RecordingImport, 'rows'> & { readonly rows: readonly RecordingRow[] },
    who: Who,
    of: { readonly id?: string; readonly system?: SystemAddress | null } = {},
  ): Promise<Recording> {
    const began = new Date(beganAt);
    const row = await this.source.transaction(async (manager) => {
      await manager.query('SELECT 1 FROM job WHERE id = $1 FOR UPDATE', [jobId]);
      await this.checkRoom(jobId, manager);
      return manager.save(RecordingEntity, {
        workspaceId: this.workspaceId,
        jobId,
        name,
        system: null,
        beganAt: began,
        endedAt: new Date(began.getTime() + rows.at(-1)![0]! * 1000),
        ...who,
        ...of,
      });
    });
    for (let from = 0; from < rows.length; from += rowsOfChunk)
      await this.add(row.id, rows.slice(from, from + rowsOfChunk));
    return { id: row.id, name, beganAt, endedAt: row.endedAt!.toISOString(), samples: rows.length };
  }

  /** Has a job a recording that began at this moment? */
  beganThen(jobId: string, beganAt: string): Promise<boolean> {
    return this.source.manager.existsBy(RecordingEntity, { jobId, beganAt: new Date(beganAt) });
  }

  private async checkRoom(jobId: string, manager: EntityManager): Promise<void> {
    if ((await manager.countBy(RecordingEntity, { jobId })) >= mostRecordings)
      throw new HttpProblem(
        409,
        'Too many',
        `A job has at most ${mostRecordings} recordings. Go on in a copy of it.`,
      );
  }

  async end(id: string, manager: EntityManager = this.source.manager): Promise<void> {
    await manager.update(RecordingEntity, { id, endedAt: IsNull() }, { endedAt: new Date() });
  }

  /**
   * Adds some seconds, in their order.
   *
   * @param recorder the server they come from: it has to be the one that records; null = whoever
   * @returns whether they were added: false where another server records by now
   */
  async add(
    recordingId: string,
    rows: readonly RecordingRow[],
    recorder: string | null = null,
  ): Promise<boolean> {
    if (rows.length === 0) return recorder === null || this.claim(recordingId, recorder);
    const payload = await packSamples(rows);
    const added = await this.source.query<unknown[]>(
      `WITH held AS (
         UPDATE recording SET heard_at = now() WHERE id = $1 AND ($6::uuid IS NULL OR recorder = $6) RETURNING id)
       INSERT INTO recording_chunk (recording_id, position, workspace_id, until_s, samples, payload)
         SELECT held.id, (SELECT coalesce(max(position), -1) + 1 FROM recording_chunk WHERE recording_id = $1), $2, $3, $4, $5 FROM held
       RETURNING position`,
      [recordingId, this.workspaceId, Math.floor(rows.at(-1)![0]!), rows.length, payload, recorder],
    );
    return added.length === 1;
  }

  /**
   * A server says that it records from now on, or still does.
   *
   * @returns false where another one does, or it is over
   */
  async claim(id: string, recorder: string): Promise<boolean> {
    const [, claimed] = await this.source.query<[unknown[], number]>(
      `UPDATE recording SET recorder = $2, heard_at = now()
        WHERE id = $1 AND ended_at IS NULL
          AND (recorder = $2 OR NOT ${isRecorded})`,
      [id, recorder],
    );
    return claimed === 1;
  }

  /** A server has written down everything it has of a recording. */
  async release(id: string, recorder: string): Promise<void> {
    await this.source.manager.update(RecordingEntity, { id, recorder }, { recorder: null });
  }

  /** Does a server that lives still write it? */
  async isHeld(id: string): Promise<boolean> {
    const [row] = await this.source.query<{ held: boolean }[]>(
      `SELECT ${isRecorded} AS held FROM recording WHERE id = $1`,
      [id],
    );
    return row?.held === true;
  }

  /** Recordings that go on, and that nobody records: their server has died, or was stopped. */
  async forsaken(): Promise<RecordingEntityRow[]> {
    return this.source.manager
      .createQueryBuilder(RecordingEntity, 'recording')
      .where('recording.workspaceId = :workspaceId AND recording.endedAt IS NULL', {
        workspaceId: this.workspaceId,
      })
      .andWhere(`NOT ${isRecorded}`)
      .getMany();
  }

  /** The last second that is kept of it; -1 = none. */
  async untilS(recordingId: string): Promise<number> {
    const [row] = await this.source.query<{ until: number | null }[]>(
      'SELECT max(until_s) AS until FROM recording_chunk WHERE recording_id = $1',
      [recordingId],
    );
    return row?.until ?? -1;
  }

  /** Its rows after a second, in their order. */
  async rows(recordingId: string, after: number): Promise<(number | null)[][]> {
    const chunks = await this.source.manager
      .createQueryBuilder(RecordingChunkEntity, 'chunk')
      .where('chunk.recordingId = :recordingId AND chunk.untilS > :after', { recordingId, after })
      .orderBy('chunk.position')
      .getMany();
    const rows: (number | null)[][] = [];
    for (const { payload } of chunks) rows.push(...(await unpackSamples(payload)));
    // Two servers that took turns may both have heard a second.
    return rows
      .filter(([second]) => second! > after)
      .toSorted((a, b) => a[0]! - b[0]!)
      .filter(([second], index, sorted) => index === 0 || second !== sorted[index - 1]![0]);
  }
}
