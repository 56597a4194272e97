import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { encodeMilli, gap } from '@levamen/core/house/details';
import { recordingColumns, savedJobSchema } from '@levamen/core/api';
import { demoJobs, newJob, readJob } from '@levamen/core/job';
import { deflateSync } from 'node:zlib';
import papaparse from 'papaparse';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { digestOf } from '../blobs/blob-store.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { photo } from '../testing/photo.js';
import { weatherText } from '../testing/weather-text.js';
import { fileName } from './file-name.js';
import { JobExport } from './export-jobs.js';

let test: TestApp;
let folder: string;
beforeAll(async () => {
  test = await openTestApp();
  folder = await mkdtemp(path.join(tmpdir(), 'levamen-export-'));
});
afterAll(async () => {
  await rm(folder, { recursive: true, force: true });
  await test.database.close();
});

const madeJob = async (document: object): Promise<string> => {
  const { body } = await test.agent.post('/api/jobs').send({ document }).expect(201);
  return savedJobSchema.parse(body).id;
};
const cellsOf = (text: string): string[][] => papaparse.parse<string[]>(text.trim()).data;

describe('names of files', () => {
  it.each([
    ['Farmhouse on Lamp Point, built in 2023', 'Farmhouse-on-Lamp-Point-built-in-2023'],
    ['Häuser/..\\Ürsel: 100 %', 'Hauser-Ursel-100'],
    ['../..', 'unnamed'],
    ['家', '家'],
  ])('%s', (text, name) => {
    expect(fileName(text)).toBe(name);
  });
});

describe('everything as open files', () => {
  it('has each job with its photo, document, readings, recording and weather; the bin; what does not validate as it is', async () => {
    const pdf = Buffer.from('%PDF-1.7\n%%EOF\n');
    const files = { photo: digestOf(photo), pdf: digestOf(pdf) };
    const { job } = demoJobs[0]!;
    const shown = {
      id: 'p',
      digest: files.photo,
      aboutId: null,
      subject: 'other',
      caption: 'Meter',
      takenOn: null,
      widthPx: 40,
      heightPx: 30,
    };
    const farm = await madeJob({
      ...job,
      photos: [shown],
      logbook: {
        ...job.logbook,
        documents: [
          { id: 'd', name: 'Letter', on: null, where: '', file: { digest: files.pdf, bytes: pdf.length } },
        ],
      },
    });
    const own = `/api/jobs/${farm}`;
    await test.agent.put(`${own}/photos/${files.photo}`).type('image/jpeg').send(photo).expect(204);
    await test.agent.put(`${own}/documents/${files.pdf}`).type('application/pdf').send(pdf).expect(204);
    const set = await test.agent
      .post(`${own}/readings`)
      .send({
        name: 'Meter data',
        zone: 'UTC',
        startS: 1_767_225_600,
        intervalS: 900,
        count: 3,
        channels: [{ name: '=Well', role: 'circuit', quantity: 'power' }],
      })
      .expect(201);
    const values = deflateSync(encodeMilli(Int32Array.from([1500, gap, -250])));
    await test.agent
      .put(`${own}/readings/${(set.body as { id: string }).id}/channels/0`)
      .type('application/octet-stream')
      .send(values)
      .expect(204);
    const row = (second: number) =>
      recordingColumns.map((column) => (column === 'second' ? second : column === 'charge' ? 0.5 : null));
    await test.agent
      .post(`${own}/system/recordings/import`)
      .send({ name: 'Storm', beganAt: '2026-02-11T20:00:00Z', rows: [row(0), row(10)] })
      .expect(201);
    await test.agent.post('/api/weather').type('text/csv').send(weatherText()).expect(201);
    const gone = await madeJob(newJob('Gone'));
    await test.agent.delete(`/api/jobs/${gone}`).expect(204);
    const strange = await madeJob(newJob('Strange'));
    const client = new pg.Client({ connectionString: test.database.ownerUrl });
    await client.connect();
    await client.query('ALTER TABLE job_revision DISABLE TRIGGER USER');
    await client.query(
      `UPDATE job_revision SET document = jsonb_set(document, '{loads}', '"none"') WHERE job_id = $1`,
      [strange],
    );
    await client.end();

    const sum = await new JobExport(test.database.source, folder).all();
    expect(sum).toMatchObject({ jobs: 3, raw: 1, problems: [] });
    const [workspace] = await readdir(folder);
    const root = path.join(folder, workspace!);
    const at = async (...parts: string[]): Promise<string> => {
      let place = root;
      // Names end in what tells them apart.
      for (const part of parts)
        place = path.join(
          place,
          (await readdir(place)).find((name) => name.startsWith(part))!,
        );
      return place;
    };
    const text = async (...parts: string[]): Promise<string> => readFile(await at(...parts), 'utf8');
    const jobs = cellsOf(await text('jobs.csv'));
    expect(jobs.map(([place]) => place!.replace(/-[0-9a-f]{8}$/, ''))).toEqual([
      'folder',
      fileName(job.name),
      'bin/Gone',
      'Strange',
    ]);
    const farmFolder = fileName(job.name);
    const read = readJob(JSON.parse(await text(farmFolder, 'job.levamen.json')));
    expect(read.ok && read.job.loads).toEqual(job.loads);
    expect((await readFile(await at(farmFolder, 'photos', '001-Meter'))).equals(photo)).toBe(true);
    expect((await readFile(await at(farmFolder, 'documents', 'Letter'))).equals(pdf)).toBe(true);
    expect(cellsOf(await text(farmFolder, 'readings', 'Meter-data'))).toEqual([
      ['time', "'=Well (W)"],
      ['2026-01-01T00:00:00.000Z', '1.5'],
      ['2026-01-01T00:15:00.000Z', ''],
      ['2026-01-01T00:30:00.000Z', '-0.25'],
    ]);
    const recording = cellsOf(await text(farmFolder, 'recordings', 'Storm'));
    expect(recording[0]).toEqual(['time', ...recordingColumns]);
    expect(recording[2]!.slice(0, 2)).toEqual(['2026-02-11T20:00:10.000Z', '10']);
    expect(await text('weather', '')).toMatch(/^LOCATION,/);
    expect(JSON.parse(await text('bin', 'Gone', 'job.levamen.json'))).toMatchObject({ name: 'Gone' });
    expect(JSON.parse(await text('Strange', 'job.raw.json'))).toMatchObject({ loads: 'none' });
    expect(await text('Strange', 'problems.txt')).toContain('loads');
  });
});
