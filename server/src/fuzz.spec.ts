import { randomUUID } from 'node:crypto';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { deflateSync } from 'node:zlib';
import { encodeMilli } from '@levamen/core/house/details';
import { demoJobs, newJob } from '@levamen/core/job';
import { demoBook, demoItems } from '@levamen/core/offer';
import { xlsxType } from '@levamen/core/api';
import * as fc from 'fast-check';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { makeApp } from './http/app.js';
import { digestOf } from './blobs/blob-store.js';
import { photo } from './testing/photo.js';
import { readingSet } from './testing/reading-set.js';
import { openTestDatabase, type TestDatabase } from './testing/test-database.js';
import { times, writeDown } from './testing/proof.js';
import { weatherText } from './testing/weather-text.js';
import { zipOf } from './testing/zip.js';

/** A request that the server takes as it is. */
interface Valid {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  readonly path: string;
  readonly type?: string;
  readonly body?: unknown;
}

let database: TestDatabase;
let server: Server;
let url: string;
const values = deflateSync(encodeMilli(Int32Array.from([1000, -3, 7, 4_000_000])));
const seed = 20_261_126;

beforeAll(async () => {
  database = await openTestDatabase();
  server = createServer(
    makeApp({ source: database.source, logger: pino({ level: 'silent' }), requestsPerMinute: 10_000_000 }),
  ).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await database.close();
});

const send = async ({ method, path, type, body }: Valid): Promise<{ status: number; text: string }> => {
  const binary = body instanceof Uint8Array || typeof body === 'string';
  const response = await fetch(`${url}${path}`, {
    method,
    ...(body === undefined
      ? {}
      : {
          headers: { 'content-type': type ?? 'application/json' },
          body: binary ? (body as BodyInit) : JSON.stringify(body),
        }),
  });
  return { status: response.status, text: await response.text() };
};
const made = async (request: Valid): Promise<{ id: string; revision: number }> => {
  const { status, text } = await send(request);
  expect(status, text.slice(0, 300)).toBeLessThan(300);
  return JSON.parse(text) as { id: string; revision: number };
};
/** Every route with a request it takes. Those that remove something get a new one each time. */
async function validRequests(): Promise<readonly (() => Promise<Valid>)[]> {
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

/** Values that break columns, parsers and arithmetic. */
const nasty: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  'x',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '💡',
  'x'.repeat(5000),
  '1; DROP TABLE job',
  '../../etc',
  0,
  -0,
  -1,
  0.5,
  1.5,
  1e21,
  1e300,
  -1e300,
  2_147_483_648,
  9_007_199_254_740_992,
  '9999.9',
  'NaN',
  '2026-02-30',
  [],
  {},
  [[]],
  [null],
  { id: 'x' },
  { __proto__: null, constructor: 'x' },
  '00000000-0000-4000-8000-000000000000',
  'L1-L9',
];

type Keys = readonly (string | number)[];
function placesOf(value: unknown, path: Keys = []): Keys[] {
  if (typeof value !== 'object' || value === null) return [path];
  const entries = Array.isArray(value) ? value.map((item, i) => [i, item] as const) : Object.entries(value);
  return [path, ...entries.flatMap(([key, item]) => placesOf(item, [...path, key]))];
}

/** One or two changes at random places of a JSON body; `pick` gives whole numbers below its argument. */
function mutatedJson(body: unknown, pick: (below: number) => number): unknown {
  const copy = structuredClone({ body });
  for (let change = 0; change <= pick(2); change += 1) {
    const places = placesOf(copy.body);
    const path = places[pick(places.length)]!;
    const parent = path
      .slice(0, -1)
      .reduce<unknown>((node, key) => (node as Record<string, unknown>)[key], copy.body);
    const key = path.at(-1);
    const value = structuredClone(nasty[pick(nasty.length)]);
    if (key === undefined) {
      copy.body = value;
      continue;
    }
    const object = parent as Record<string, unknown>;
    switch (pick(8)) {
      case 0:
        if (Array.isArray(parent)) parent.splice(Number(key), 1);
        else Reflect.deleteProperty(object, key);
        break;
      case 1:
        if (Array.isArray(parent)) parent.push(structuredClone(parent[Number(key)]));
        else object['surprise'] = value;
        break;
      default:
        object[key] = value;
    }
  }
  return copy.body;
}

function mutated(request: Valid, pick: (below: number) => number): Valid {
  const { body, path } = request;
  // Some changes go into the address; the others into the body, where there is one.
  if (body === undefined || pick(8) === 0) {
    const parts = path.split(/(?<=[/?&=])/);
    const at = 2 + pick(Math.max(1, parts.length - 2));
    const separator = /[/?&=]$/.exec(parts[at] ?? '')?.[0] ?? '';
    const value = structuredClone(nasty[pick(nasty.length)]);
    const text = typeof value === 'object' ? JSON.stringify(value) : String(value);
    const changed = parts
      .with(Math.min(at, parts.length - 1), `${safely(text.slice(0, 300))}${separator}`)
      .join('');
    return { ...request, path: changed };
  }
  if (typeof body === 'string') {
    const lines = body.split('\n');
    const line = pick(pick(2) === 0 ? Math.min(9, lines.length) : lines.length);
    const fields = lines[line]!.split(',');
    const value = structuredClone(nasty[pick(nasty.length)]);
    const put = fields.with(pick(fields.length), typeof value === 'object' ? '' : String(value)).join(',');
    return { ...request, body: lines.with(line, put).join('\n') };
  }
  if (body instanceof Uint8Array) {
    const bytes = Buffer.from(body);
    for (let change = 0; change <= pick(4); change += 1) bytes[pick(bytes.length)] = pick(256);
    return { ...request, body: pick(3) === 0 ? bytes.subarray(0, pick(bytes.length)) : bytes };
  }
  return { ...request, body: mutatedJson(body, pick) };
}

/** Percent-encoded; what no address can hold stands as a replacement character. */
const safely = (text: string): string => encodeURIComponent(text.replace(/\p{Cs}/gu, '�'));

describe('mutated valid requests', () => {
  it('are answered, never with a 500, and what is taken can be read back', async () => {
    const requests = await validRequests();
    for (const request of requests) expect((await send(await request())).status).not.toBe(500);
    const total = times(900, 30_000);
    const counts = new Map<number, number>();
    const begin = Date.now();
    // Numbers from one seed: a run can be repeated to the letter.
    const numbers = fc.sample(fc.nat(2 ** 31 - 1), { numRuns: 4096, seed });
    let at = 0;
    const pick = (below: number): number => {
      at += 1;
      // A fresh stretch of numbers each time round.
      const number =
        numbers[at % numbers.length]! ^ Math.imul(Math.floor(at / numbers.length) + 1, 0x9e37_79b1);
      return (number >>> 0) % below;
    };
    for (let i = 0; i < total; i += 1) {
      const request = mutated(await requests[i % requests.length]!(), pick);
      const { status, text } = await send(request);
      counts.set(status, (counts.get(status) ?? 0) + 1);
      const told = `${request.method} ${request.path.slice(0, 200)} ${JSON.stringify(request.body)?.slice(0, 3000)} → ${text.slice(0, 500)}`;
      expect(status, told).toBeLessThan(500);
      expect(status, told).not.toBe(429);
      if (status === 201 && request.path.startsWith('/api/jobs') && !request.path.includes('readings')) {
        const { id } = JSON.parse(text) as { id: string };
        expect((await send({ method: 'GET', path: `/api/jobs/${id}` })).status).toBe(200);
      }
    }
    expect((await send({ method: 'GET', path: '/api/health' })).status).toBe(200);
    expect((await send({ method: 'GET', path: '/api/weather' })).status).toBe(200);
    const byStatus = [...counts]
      .toSorted(([a], [b]) => a - b)
      .map(([status, count]) => `${status}: ${count}`);
    writeDown('fuzz', {
      requests: total,
      seed,
      'answers by status': byStatus.join(', '),
      seconds: Math.round((Date.now() - begin) / 1000),
    });
  }, 1_800_000);
});
