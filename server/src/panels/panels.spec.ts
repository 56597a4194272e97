import type { Circuit } from '@levamen/core/house';
import { guessCircuitColumns, newPanel, readCircuitRows } from '@levamen/core/house/details';
import { demoJobs } from '@levamen/core/job';
import { xlsxType } from '@levamen/core/api';
import papaparse from 'papaparse';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
let jobId: string;
const { job } = demoJobs[0]!;
const panel = job.survey.panels[0]!;
beforeAll(async () => {
  test = await openTestApp();
  const made = await test.agent.post('/api/jobs').send({ document: job });
  jobId = (made.body as { id: string }).id;
});
afterAll(() => test.database.close());

const schedule = (format: string, id = panel.id) =>
  test.agent
    .get(`/api/jobs/${jobId}/panels/${id}/schedule.${format}`)
    .buffer()
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    });
const readBack = (cells: string[][]): unknown[] => {
  const { columns, hasHeadings } = guessCircuitColumns(cells);
  let next = 0;
  const empty = { ...newPanel('p', 'P', job.supply.system, { kind: 'unknown' }), spaces: panel.spaces };
  return plain(
    readCircuitRows(cells, empty, columns, hasHeadings, () => `id-${next++}`).rows.flatMap(
      ({ circuit }) => circuit ?? [],
    ),
  );
};
const plain = (circuits: readonly Circuit[]): unknown[] =>
  circuits.map(({ id: _, neutral: _n, ...rest }) => rest).toSorted((a, b) => a.spaces[0]! - b.spaces[0]!);

describe('panel schedules', () => {
  it('as CSV come back the same', async () => {
    const answer = await schedule('csv').expect(200);
    expect(answer.headers['content-disposition']).toContain('Cellar-panel.csv');
    const cells = papaparse.parse<string[]>((answer.body as Buffer).toString('utf8')).data;
    expect(readBack(cells)).toEqual(plain(panel.circuits));
  });

  it('as XLSX come back the same, read by the program itself', async () => {
    const file = (await schedule('xlsx').expect(200)).body as Buffer;
    const cells = await test.agent.post('/api/tables').set('content-type', xlsxType).send(file).expect(200);
    expect(readBack(cells.body as string[][])).toEqual(plain(panel.circuits));
  });

  it('of panels as they will be: the new one with what moves, the old one without', async () => {
    const planned = async (id: string): Promise<string> => {
      const address = `/api/jobs/${jobId}/panels/${id}/schedule.csv?as=planned`;
      return (await test.agent.get(address).expect(200)).text;
    };
    const [added, old] = [await planned('loads-farm'), await planned(panel.id)];
    expect(added).toContain('Well pump');
    expect(old).not.toContain('Well pump');
    expect(old).toContain('Range');
    await test.agent.get(`/api/jobs/${jobId}/panels/${panel.id}/schedule.csv?as=dreamt`).expect(400);
    await test.agent.get(`/api/jobs/${jobId}/panels/loads-farm/schedule.csv`).expect(404);
  });

  it('as PDF are a page to print', async () => {
    const file = (await schedule('pdf').expect(200)).body as Buffer;
    expect(file.subarray(0, 5).toString()).toBe('%PDF-');
    expect(file.length).toBeGreaterThan(10_000);
  });

  it('exist for panels that exist, in formats there are', async () => {
    await schedule('csv', 'attic').expect(404);
    await schedule('doc').expect(404);
  });

  it('keep a name that a spreadsheet would take for a formula', async () => {
    const evil = structuredClone(job);
    evil.survey.panels[0]!.circuits[0]!.name = '=HYPERLINK("http://x")';
    const made = await test.agent.post('/api/jobs').send({ document: evil });
    const text = (
      await test.agent.get(`/api/jobs/${(made.body as { id: string }).id}/panels/${panel.id}/schedule.csv`)
    ).text;
    expect(text).toContain(`'=HYPERLINK`);
  });
});
