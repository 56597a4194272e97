import { type Channel, gap, type ReadingProblem, type Readings } from '@levamen/core/house';
import {
  analyseReadings,
  type CsvOptions,
  CsvReadings,
  type CsvShape,
  decodeMilli,
  encodeMilli,
  EspiReadings,
  guessCsvShape,
  measuredUse,
  measuredYear,
} from '@levamen/core/house/details';
import { readingSetSchema, type SavedReadingSet, savedReadingSetSchema } from '@levamen/core/api';
import { expose } from 'comlink';
import { parse } from 'papaparse';
import { SaxesParser } from 'saxes';
import type { FilePreview, Progress, ReadFile, ReadingsApi } from './readings-api';

const previewBytes = 64_000;
const listedProblems = 500;
const chunkBytes = 1_500_000;
const maxXmlBytes = 400_000_000;

let readings: Readings | null = null;
let cancelled = false;

const answer = (
  result: Readings | null,
  problems: readonly ReadingProblem[],
  problemCount: number,
  why: string,
  begin: number,
): ReadFile => {
  if (result) readings = result;
  return {
    rows: result?.count ?? 0,
    values: (result?.count ?? 0) * (result?.channels.length ?? 0),
    problemCount,
    problems: problems.slice(0, listedProblems),
    why: result ? '' : why,
    tookMs: performance.now() - begin,
  };
};

const loaded = (): Readings => {
  if (!readings) throw new Error('No readings are loaded');
  return readings;
};

const through = async (bytes: Uint8Array<ArrayBuffer>, stream: CompressionStream | DecompressionStream) =>
  new Uint8Array(await new Response(new Blob([bytes]).stream().pipeThrough(stream)).arrayBuffer());

/** @throws Error with the server's words where it refuses */
const ask = async (address: string, init: RequestInit = {}): Promise<Response> => {
  const response = await fetch(address, init);
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as { detail?: string };
  throw new Error(problem.detail ?? `The server answered ${response.status}.`);
};

const api: ReadingsApi = {
  async preview(file, name, dayFirst): Promise<FilePreview> {
    const head = await file.slice(0, previewBytes).text();
    if (/^\uFEFF?\s*</.test(head)) {
      return /<(\w+:)?feed[\s>]/i.test(head) || /espi/i.test(head)
        ? { kind: 'espi' }
        : { kind: 'unknown', why: `${name} is XML, but not Green Button (ESPI): it holds no Atom feed.` };
    }
    // A line that was cut off at the end of the head is left out.
    const whole = file.size > previewBytes ? head.slice(0, head.lastIndexOf('\n')) : head;
    const { data, meta } = parse<string[]>(whole, { preview: 400 });
    const shape = guessCsvShape(data, meta.delimiter, dayFirst);
    return shape
      ? { kind: 'csv', shape, delimiter: meta.delimiter, rows: data.slice(0, shape.skip + 4) }
      : {
          kind: 'unknown',
          why: `${name} holds no rows with a date and a number. Choose a CSV or Green Button file.`,
        };
  },

  readCsv(
    file: Blob,
    shape: CsvShape,
    delimiter: string,
    options: CsvOptions,
    progress: Progress,
  ): Promise<ReadFile> {
    cancelled = false;
    const begin = performance.now();
    const reader = new CsvReadings(shape, options);
    let line = 0;
    return new Promise((resolve, reject) => {
      parse<string[]>(file as File, {
        delimiter,
        // Small pieces keep what has to be thrown away small.
        chunkSize: chunkBytes,
        skipEmptyLines: false,
        chunk: ({ data, meta }, parser) => {
          for (const row of data) {
            line += 1;
            if (line > shape.skip) reader.row(row, line);
          }
          progress(Math.min(1, meta.cursor / Math.max(1, file.size)));
          if (cancelled) parser.abort();
        },
        complete: () => {
          if (cancelled) {
            resolve(answer(null, [], 0, 'cancelled', begin));
            return;
          }
          const result = reader.finish();
          const { problems, problemCount } = reader.collector;
          resolve(answer(result, problems, problemCount, 'No row of the file could be read.', begin));
        },
        error: reject,
      });
    });
  },

  async readEspi(file: Blob, progress: Progress): Promise<ReadFile> {
    cancelled = false;
    const begin = performance.now();
    if (file.size > maxXmlBytes) {
      return answer(
        null,
        [],
        0,
        `The file is larger than ${maxXmlBytes / 1e6} MB. Ask for a shorter stretch.`,
        begin,
      );
    }
    const espi = new EspiReadings();
    const parser = new SaxesParser();
    let broken = '';
    const local = (name: string): string => name.slice(name.indexOf(':') + 1);
    parser.on('error', (error) => {
      broken ||= error.message;
    });
    parser.on('opentag', (tag) => espi.open(local(tag.name), tag.attributes as Record<string, string>));
    parser.on('text', (text) => espi.chars(text));
    parser.on('closetag', () => espi.close(parser.line));
    const stream = file.stream().pipeThrough(new TextDecoderStream()).getReader();
    let seen = 0;
    for (;;) {
      const { done, value } = await stream.read();
      if (done || cancelled || broken !== '') break;
      parser.write(value);
      seen += value.length;
      progress(Math.min(1, seen / Math.max(1, file.size)));
    }
    if (cancelled) return answer(null, [], 0, 'cancelled', begin);
    if (broken === '') parser.close();
    if (broken !== '')
      return answer(null, espi.problems, espi.problemCount, `The XML is broken: ${broken}`, begin);
    const { readings: result, why } = espi.finish();
    return answer(result, espi.problems, espi.problemCount, why, begin);
  },

  cancel(): void {
    cancelled = true;
  },

  async save(jobId, name, zone, progress): Promise<SavedReadingSet> {
    const { startS, intervalS, count, channels } = loaded();
    const facts = channels.map(({ name: channel, role, quantity }) => ({ name: channel, role, quantity }));
    const body = readingSetSchema.parse({ name, zone, startS, intervalS, count, channels: facts });
    const base = `/api/jobs/${jobId}/readings`;
    const made = await ask(base, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    const set = savedReadingSetSchema.parse(await made.json());
    for (const [position, { milli }] of channels.entries()) {
      const packed = await through(new Uint8Array(encodeMilli(milli)), new CompressionStream('deflate'));
      await ask(`${base}/${set.id}/channels/${position}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/octet-stream' },
        body: packed,
      });
      progress((position + 1) / channels.length);
    }
    return savedReadingSetSchema.parse(await (await ask(`${base}/${set.id}`)).json());
  },

  async load(jobId, set, progress): Promise<void> {
    const channels: Channel[] = [];
    for (const [position, facts] of set.channels.entries()) {
      const response = await ask(`/api/jobs/${jobId}/readings/${set.id}/channels/${position}`);
      const bytes = await through(
        new Uint8Array(await response.arrayBuffer()),
        new DecompressionStream('deflate'),
      );
      channels.push({ ...facts, milli: decodeMilli(bytes) });
      progress((position + 1) / set.channels.length);
    }
    readings = { startS: set.startS, intervalS: set.intervalS, count: set.count, channels };
  },

  analyse: (zone, feedBack) => Promise.resolve(analyseReadings(loaded(), zone, new Set(feedBack))),

  year: (zone, calendarYear) => measuredYear(loaded(), zone, calendarYear),

  flip(channel): void {
    for (const { name, milli } of loaded().channels) {
      if (name !== channel) continue;
      for (let i = 0; i < milli.length; i += 1) if (milli[i] !== gap) milli[i] = -milli[i]!;
    }
  },

  setRole(channel, role): void {
    const present = loaded();
    readings = {
      ...present,
      channels: present.channels.map((one) => (one.name === channel ? { ...one, role } : one)),
    };
  },

  measuredUse(channel, zone, southern) {
    const present = loaded();
    const found = present.channels.find(({ name }) => name === channel);
    return found ? measuredUse(found, present, zone, southern) : null;
  },
};

expose(api);
