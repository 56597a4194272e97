import { mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { type Recording, weatherYearOf } from '@levamen/core/api';
import { type Job, readJob } from '@levamen/core/job';
import { writeEpw } from '@levamen/core/nature';
import papaparse from 'papaparse';
import type { DataSource } from 'typeorm';
import { CompanySheetStore } from '../company/company-sheet-store.js';
import { RecordingStore } from '../devices/recording-store.js';
import { EquipmentStore } from '../equipment/equipment-store.js';
import { JobStore, type StoredRevision } from '../jobs/job-store.js';
import { PhotoStore } from '../photos/photo-store.js';
import { ReadingStore } from '../readings/reading-store.js';
import { unpackChannel } from '../readings/pack-channel.js';
import { CompanyRulesStore } from '../rules/company-rules-store.js';
import { WeatherStore } from '../weather/weather-store.js';
import { actingFor } from '../workspaces/fence.js';
import { csvOfReadings } from './csv-of-readings.js';
import { csvOfRecording } from './csv-of-recording.js';
import { fileName } from './file-name.js';

/** What was written. */
export interface ExportSum {
  jobs: number;
  /** Of them, jobs that do not validate and were written as they are kept. */
  raw: number;
  files: number;
  /** What could not be written, in words. */
  readonly problems: string[];
}

const json = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** Writes all jobs of a database as open files, a folder a job, with everything that belongs to them; the bin, too. */
export class JobExport {
  readonly sum: ExportSum = { jobs: 0, raw: 0, files: 0, problems: [] };

  /**
   * @param source connects as a role that sees every workspace
   * @param folder is there, and empty
   */
  constructor(
    private readonly source: DataSource,
    private readonly folder: string,
  ) {}

  async all(): Promise<ExportSum> {
    const workspaces = await this.source.query<{ id: string; name: string }[]>(
      'SELECT id, name FROM workspace ORDER BY created_at, id',
    );
    for (const { id, name } of workspaces) {
      const own = path.join(this.folder, `${fileName(name)}-${id.slice(0, 8)}`);
      await actingFor({ workspaceId: id, accountId: null }, () => this.workspace(id, own));
    }
    return this.sum;
  }

  private async workspace(workspaceId: string, folder: string): Promise<void> {
    const jobs = await this.source.query<
      { id: string; name: string; deleted_at: Date | null; updated_at: Date }[]
    >('SELECT id, name, deleted_at, updated_at FROM job WHERE workspace_id = $1 ORDER BY created_at, id', [
      workspaceId,
    ]);
    const list = jobs.map(({ id, name, deleted_at, updated_at }) => ({
      folder: `${deleted_at ? 'bin/' : ''}${fileName(name)}-${id.slice(0, 8)}`,
      id,
      name,
      changed: updated_at.toISOString(),
    }));
    await this.write(
      path.join(folder, 'jobs.csv'),
      `${papaparse.unparse(list, { escapeFormulae: true })}\r\n`,
    );
    const { sheet } = await new CompanySheetStore(this.source, workspaceId).read();
    await this.write(path.join(folder, 'company.json'), json(sheet));
    await this.write(
      path.join(folder, 'rules.json'),
      json(await new CompanyRulesStore(this.source, workspaceId).read()),
    );
    await this.write(
      path.join(folder, 'equipment.json'),
      json(await new EquipmentStore(this.source, workspaceId).read()),
    );
    const weather = new WeatherStore(this.source, workspaceId);
    for (const { id, name } of await weather.list()) {
      const hours = await weather.read(id);
      if (hours)
        await this.write(
          path.join(folder, 'weather', `${fileName(name)}-${id.slice(0, 8)}.epw`),
          writeEpw(weatherYearOf(hours)),
        );
    }
    for (const { id, folder: own } of list) {
      try {
        await this.job(workspaceId, id, path.join(folder, own));
      } catch (error) {
        this.sum.problems.push(`${own}: ${error instanceof Error ? error.message : String(error)}`);
      }
    }
  }

  private async job(workspaceId: string, id: string, folder: string): Promise<void> {
    const stored = await new JobStore(this.source, workspaceId).readAny(id);
    if (!stored) throw new Error('Its last state cannot be read');
    this.sum.jobs += 1;
    const job = await this.document(stored, folder);
    const photos = new PhotoStore(this.source, workspaceId);
    const files = [
      ...(job?.photos ?? []).map(({ digest, caption }, index) => ({
        digest,
        name: `photos/${String(index + 1).padStart(3, '0')}-${fileName(caption)}-${digest.slice(0, 8)}.jpg`,
      })),
      ...(job?.logbook.documents ?? []).flatMap(({ file, name }) =>
        file
          ? [{ digest: file.digest, name: `documents/${fileName(name)}-${file.digest.slice(0, 8)}.pdf` }]
          : [],
      ),
    ];
    for (const { digest, name } of files) {
      const bytes = await photos.read(id, digest);
      if (bytes) await this.write(path.join(folder, name), bytes);
      else this.sum.problems.push(`${path.join(path.basename(folder), name)}: it is not kept here any more`);
    }
    await this.readings(new ReadingStore(this.source, workspaceId), id, folder);
    const recordings = new RecordingStore(this.source, workspaceId);
    for (const recording of await recordings.list(id)) await this.recording(recordings, recording, folder);
  }

  /** The job as a file that can be read again; one that does not validate as it is kept, with what is wrong. */
  private async document({ document }: StoredRevision, folder: string): Promise<Job | null> {
    const read = readJob(document);
    if (read.ok) {
      await this.write(path.join(folder, 'job.levamen.json'), json(read.job));
      return read.job;
    }
    this.sum.raw += 1;
    await this.write(path.join(folder, 'job.raw.json'), json(document));
    const problems = read.problems.map(({ path: place, message }) => `${place}: ${message}`).join('\n');
    await this.write(path.join(folder, 'problems.txt'), `${problems}\n`);
    return null;
  }

  private async readings(store: ReadingStore, jobId: string, folder: string): Promise<void> {
    for (const set of await store.list(jobId)) {
      const values = [];
      for (let position = 0; position < set.channels.length; position += 1) {
        const packed = await store.channel(set.id, position);
        values.push(packed && (await unpackChannel(packed)));
      }
      const name = `${fileName(set.name)}-${set.id.slice(0, 8)}.csv`;
      await this.write(path.join(folder, 'readings', name), csvOfReadings(set, values));
    }
  }

  private async recording(
    store: RecordingStore,
    { id, name, beganAt }: Recording,
    folder: string,
  ): Promise<void> {
    const rows = await store.rows(id, -1);
    await this.write(
      path.join(folder, 'recordings', `${fileName(name)}-${id.slice(0, 8)}.csv`),
      csvOfRecording(beganAt, rows),
    );
  }

  private async write(file: string, content: string | Buffer): Promise<void> {
    await mkdir(path.dirname(file), { recursive: true, mode: 0o700 });
    // What lies in it is the company's.
    await writeFile(file, content, { flag: 'wx', mode: 0o600 });
    this.sum.files += 1;
  }
}
