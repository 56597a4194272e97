import { randomUUID } from 'node:crypto';
import { deflateSync } from 'node:zlib';
import { encodeMilli } from '@levamen/core/house/details';
import { demoJobs, newJob } from '@levamen/core/job';
import { demoBook, demoItems } from '@levamen/core/offer';
import { recordingColumns, xlsxType } from '@levamen/core/api';
import { digestOf } from '../blobs/blob-store.js';
import { photo } from './photo.js';
import { readingSet } from './reading-set.js';
import { weatherText } from './weather-text.js';
import { zipOf } from './zip.js';
import { aHousesQuestion } from './houses-question.js';

/** A request that the server takes as it is. */
export interface Valid {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly type?: string;
  readonly body?: unknown;
}

/** Sends a request, and gives what came back. */
export type Send = (request: Valid) => Promise<{ readonly status: number; readonly text: string }>;

/** A document of which the server reads the beginning only. */
const document = Buffer.from('%PDF-1.7\n%%EOF\n');
const values = deflateSync(encodeMilli(Int32Array.from([1000, -3, 7, 4_000_000])));

/** As fetch sends it. */
export const asFetched = ({ method, type, body }: Valid): RequestInit => ({
  method,
  ...(body === undefined
    ? {}
    : {
        headers: { 'content-type': type ?? 'application/json' },
        body:
          body instanceof Uint8Array || typeof body === 'string'
            ? (body as NonNullable<RequestInit['body']>)
            : JSON.stringify(body),
      }),
});

/**
 * Every route with a request it takes. Those that remove something get a new one each time.
 *
 * @param send as somebody who may do all of it
 */
export async function validRequests(send: Send): Promise<readonly (() => Promise<Valid>)[]> {
  const made = async (request: Valid): Promise<{ id: string; revision: number }> => {
    const { status, text } = await send(request);
    if (status >= 300) throw new Error(`${request.path}: ${text.slice(0, 300)}`);
    return JSON.parse(text) as { id: string; revision: number };
  };
  const job = await made({ method: 'POST', path: '/api/jobs', body: { document: demoJobs[0]!.job } });
  const small = await made({ method: 'POST', path: '/api/jobs', body: { document: newJob('Target') } });
  const set = await made({ method: 'POST', path: `/api/jobs/${small.id}/readings`, body: readingSet });
  const year = await made({ method: 'POST', path: '/api/weather', type: 'text/csv', body: weatherText() });
  const panel = demoJobs[0]!.job.survey.panels[0]!.id;
  const own = `/api/jobs/${small.id}`;
  const fixed: readonly Valid[] = [
    { method: 'GET', path: '/api/jobs?search=a&sort=name&order=up&page=1&bin=false' },
    { method: 'POST', path: '/api/jobs', body: { document: demoJobs[0]!.job } },
    { method: 'POST', path: '/api/jobs', body: { document: demoJobs[1]!.job } },
    { method: 'POST', path: '/api/jobs/import', body: demoJobs[0]!.job },
    { method: 'POST', path: '/api/jobs/import', body: demoJobs[1]!.job },
    { method: 'POST', path: '/api/jobs/import', body: newJob('Imported') },
    { method: 'GET', path: `/api/jobs/${job.id}/revisions?before=9&limit=5` },
    { method: 'GET', path: `/api/jobs/${job.id}/revisions/1` },
    { method: 'GET', path: `/api/jobs/${job.id}/export` },
    { method: 'GET', path: `/api/jobs/${job.id}/raw` },
    { method: 'POST', path: `${own}/duplicate`, body: {} },
    { method: 'POST', path: `${own}/restore`, body: {} },
    { method: 'GET', path: `/api/jobs/${job.id}/panels/${panel}/schedule.csv` },
    { method: 'POST', path: `${own}/readings`, body: readingSet },
    {
      method: 'PUT',
      path: `${own}/readings/${set.id}`,
      body: { name: 'Other', channels: readingSet.channels },
    },
    {
      method: 'PUT',
      path: `${own}/readings/${set.id}/channels/0`,
      type: 'application/octet-stream',
      body: values,
    },
    { method: 'GET', path: `${own}/readings/${set.id}/channels/0` },
    { method: 'PUT', path: `${own}/photos/${digestOf(photo)}`, type: 'image/jpeg', body: photo },
    { method: 'GET', path: `${own}/photos/${digestOf(photo)}` },
    {
      method: 'PUT',
      path: `${own}/documents/${digestOf(document)}`,
      type: 'application/pdf',
      body: document,
    },
    { method: 'GET', path: `${own}/documents/${digestOf(document)}` },
    {
      method: 'POST',
      path: `${own}/system/recordings/import`,
      body: {
        name: 'Storm',
        beganAt: '2026-02-11T20:00:00Z',
        rows: [0, 10].map((second) => recordingColumns.map((column) => (column === 'second' ? second : 1))),
      },
    },
    { method: 'GET', path: `/api/weather/${year.id}` },
    { method: 'POST', path: '/api/weather', type: 'text/csv', body: weatherText() },
    { method: 'GET', path: '/api/monitor/1/history.json?fromS=0&toS=9000&intervalS=900' },
    { method: 'GET', path: '/api/monitor/1/history.csv?fromS=0&toS=9000&intervalS=900' },
    { method: 'GET', path: '/api/monitor/1/live.json' },
    { method: 'PUT', path: '/api/monitor/1/switch', body: { channel: 'Well pump', on: true } },
    {
      method: 'PUT',
      path: '/api/equipment',
      body: {
        baseRevision: 0,
        changeId: '7f1c7c0e-4c0f-4a6e-9f5e-0d5f4c3b2a10',
        said: 'Entered',
        put: demoItems,
        remove: ['nothing'],
        sampleHidden: false,
        book: demoBook,
      },
    },
    { method: 'GET', path: '/api/equipment?revision=0' },
    { method: 'GET', path: '/api/equipment/list.csv?sample=yes' },
    { method: 'GET', path: '/api/equipment/list.json?revision=0' },
    { method: 'GET', path: '/api/equipment/items/hazel-panel/history' },
    { method: 'GET', path: '/api/log?before=99&limit=5' },
    { method: 'GET', path: '/api/storage' },
    { method: 'GET', path: '/api/houses/due?until=2030-01-01' },
    { method: 'GET', path: '/api/houses/runs' },
    { method: 'GET', path: `/api/houses/runs/${job.id}` },
    { method: 'POST', path: '/api/houses/runs', body: aHousesQuestion },
    {
      method: 'POST',
      path: '/api/tables',
      type: xlsxType,
      body: zipOf([{ name: 'xl/workbook.xml', bytes: Buffer.from('<workbook/>') }]),
    },
  ];
  const saving = async (): Promise<Valid> => {
    const { revision } = JSON.parse((await send({ method: 'GET', path: `/api/jobs/${job.id}` })).text) as {
      revision: number;
    };
    return {
      method: 'PUT',
      path: `/api/jobs/${job.id}`,
      body: {
        baseRevision: revision,
        saveId: randomUUID(),
        supersedes: [randomUUID()],
        document: demoJobs[0]!.job,
      },
    };
  };
  const removing = async (): Promise<Valid> => {
    const { id } = await made({ method: 'POST', path: '/api/jobs', body: { document: newJob('Gone') } });
    return { method: 'DELETE', path: `/api/jobs/${id}` };
  };
  return [...fixed.map((one) => () => Promise.resolve(one)), saving, saving, saving, removing];
}
