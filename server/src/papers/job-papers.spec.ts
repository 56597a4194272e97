import { createHash } from 'node:crypto';
import {
  type GivenPaper,
  type IssuedPaper,
  issuedPaperListSchema,
  type NewClientLink,
  type PaperOrder,
  paperOrderSchema,
  savedJobSchema,
} from '@levamen/core/api';
import { demoJobs } from '@levamen/core/job';
import { emptyCompanySheet, type PaperRequest } from '@levamen/core/papers';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { readPdf } from '../testing/read-pdf.js';

let test: TestApp;
let jobId: string;
let revision: number;
const { job } = demoJobs[0]!;
const card: PaperRequest = {
  kind: 'card',
  sheet: 'letter',
  language: 'en',
  designIds: [job.chosenDesignId],
  without: [],
};

beforeAll(async () => {
  test = await openTestApp();
  const made = await test.agent.post('/api/jobs').send({ document: job }).expect(201);
  ({ id: jobId, revision } = savedJobSchema.parse(made.body));
});
afterAll(() => test.database.close());

const papers = (): string => `/api/jobs/${jobId}/papers`;
const bytesOf = async (path: string): Promise<Buffer> => {
  const answer = await test.agent
    .get(path)
    .buffer()
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  return answer.body as Buffer;
};
const order = async (more: object): Promise<PaperOrder> => {
  const answer = await test.agent
    .post(`${papers()}/orders`)
    .set('x-levamen-actor', 'Ada')
    .send({ request: card, format: 'pdf', issue: null, jobRevision: revision, ...more })
    .expect(202);
  return paperOrderSchema.parse(answer.body);
};
const finished = async ({ id }: PaperOrder): Promise<PaperOrder> => {
  for (;;) {
    const now = paperOrderSchema.parse((await test.agent.get(`${papers()}/orders/${id}`).expect(200)).body);
    if (now.state !== 'waiting' && now.state !== 'making') return now;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
};
const list = async (): Promise<IssuedPaper[]> =>
  issuedPaperListSchema.parse((await test.agent.get(papers()).expect(200)).body);

describe('papers of a job', () => {
  it('are made as drafts, with the word on each page', async () => {
    const done = await finished(await order({}));
    expect(done).toMatchObject({ state: 'done', share: 1, paperId: null });
    expect(done.missing.map(({ at }) => at)).toContain('/company');
    const read = await readPdf(await bytesOf(`${papers()}/orders/${done.id}/file`));
    expect(read.pages).toHaveLength(1);
    for (const { text } of read.pages) expect(text).toContain('DRAFT');
    expect(await list()).toEqual([]);
  });

  it('are issued under a number, and come back byte for byte', async () => {
    const sheet = {
      ...emptyCompanySheet(),
      name: 'Hollow Lane Electric',
      numberScheme: 'HL-{year}-{number}',
    };
    await test.agent.put('/api/company-sheet').send({ baseRevision: 0, sheet }).expect(200);
    const done = await finished(await order({ issue: { reissues: null } }));
    expect(done.state).toBe('done');
    const [paper] = await list();
    const year = new Date().getUTCFullYear();
    expect(paper).toMatchObject({
      id: done.paperId,
      number: `HL-${year}-0001`,
      letter: 'A',
      actor: 'Ada',
      jobRevision: revision,
      differs: [],
      isReplaced: false,
    });
    const bytes = await bytesOf(`${papers()}/${paper!.id}/file`);
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(paper!.digest);
    expect(bytes).toEqual(await bytesOf(`${papers()}/${paper!.id}/file`));
    const [page] = (await readPdf(bytes)).pages;
    expect(page!.text).toContain(`HL-${year}-0001`);
    expect(page!.text).not.toContain('DRAFT');
  });

  it('are out of date once the job moves on, and are issued again with what has changed', async () => {
    const changed = { ...job, brief: { ...job.brief, requiredRuntimeH: 30 } };
    const saved = await test.agent
      .put(`/api/jobs/${jobId}`)
      .send({ baseRevision: revision, saveId: crypto.randomUUID(), supersedes: [], document: changed })
      .expect(200);
    revision = (saved.body as { revision: number }).revision;
    const [before] = await list();
    expect(before!.differs.join()).toMatch(/required runtime/i);
    await finished(await order({ issue: { reissues: before!.id } }));
    const [second, first] = await list();
    expect(second).toMatchObject({ number: before!.number, letter: 'B', differs: [] });
    expect(second!.changes.join()).toMatch(/required runtime/i);
    expect(first).toMatchObject({ id: before!.id, isReplaced: true });
    const { pages } = await readPdf(await bytesOf(`${papers()}/${second!.id}/file`));
    expect(pages[0]!.text).toContain('Changed since revision A');
  });

  it('are called off', async () => {
    const asked = await order({});
    await test.agent.delete(`${papers()}/orders/${asked.id}`).expect(204);
    expect((await finished(asked)).state).toBe('cancelled');
    await test.agent.get(`${papers()}/orders/${asked.id}/file`).expect(404);
  });

  it('are read by a link that ends, by nobody else, and without an account', async () => {
    const [paper] = await list();
    const given = (await test.agent.post(`${papers()}/${paper!.id}/links`).send({ days: 7 }).expect(201))
      .body as NewClientLink;
    const read = (await test.visitor().get(`/api/given/${given.secret}`).expect(200)).body as GivenPaper;
    expect(read).toMatchObject({ kind: 'card', company: 'Hollow Lane Electric', designs: [] });
    expect(JSON.stringify(read)).not.toContain(job.name);
    // A card is for many eyes: its sheet, which names the job, does not go by the link.
    await test.visitor().get(`/api/given/${given.secret}/file`).expect(404);
    await test
      .visitor()
      .get(`/api/given/${given.secret.replace(/.$/, 'x')}`)
      .expect(404);
    await test.agent.delete(`${papers()}/${paper!.id}/links/${given.id}`).expect(204);
    await test.visitor().get(`/api/given/${given.secret}`).expect(404);
  });

  it('of a proposal are accepted once, on record', async () => {
    const proposal: PaperRequest = { ...card, kind: 'proposal' };
    await finished(await order({ request: proposal, issue: { reissues: null } }));
    const [paper] = await list();
    const { secret } = (await test.agent.post(`${papers()}/${paper!.id}/links`).send({ days: 7 }).expect(201))
      .body as NewClientLink;
    const accept = (said: object) => test.visitor().post(`/api/given/${secret}/accept`).send(said);
    await accept({ designId: job.chosenDesignId, name: '' }).expect(400);
    await accept({ designId: 'another', name: 'Jo Marsh' }).expect(422);
    await accept({ designId: job.chosenDesignId, name: 'Jo Marsh' }).expect(201);
    await accept({ designId: job.chosenDesignId, name: 'Jo Marsh' }).expect(409);
    const { body } = await test.agent.get(`${papers()}/${paper!.id}/links`).expect(200);
    expect(body).toMatchObject({ acceptances: [{ name: 'Jo Marsh', designName: job.designs[0]!.name }] });
    const pdf = await test.visitor().get(`/api/given/${secret}/file`).buffer().expect(200);
    expect(pdf.headers['content-type']).toBe('application/pdf');
  });

  it('leave number and digest when they are erased', async () => {
    const [paper] = await list();
    await test.agent.delete(`${papers()}/${paper!.id}`).expect(204);
    const gone = await test.agent.get(`${papers()}/${paper!.id}/file`).expect(410);
    expect((gone.body as { detail: string }).detail).toContain(paper!.digest);
    const [still] = await list();
    expect(still).toMatchObject({ number: paper!.number, digest: paper!.digest });
    expect(still!.erasedAt).not.toBeNull();
  });

  it('together are a ZIP with a list of digests; a parts list is a table', async () => {
    const zip = await finished(await order({ format: 'zip' }));
    expect(zip.state).toBe('done');
    const bytes = await bytesOf(`${papers()}/orders/${zip.id}/file`);
    const { unzipSync } = await import('fflate');
    const files = unzipSync(bytes);
    const manifest = JSON.parse(Buffer.from(files['manifest.json']!).toString()) as {
      files: { name: string; sha256: string }[];
    };
    expect(manifest.files.length).toBeGreaterThan(8);
    for (const { name, sha256 } of manifest.files)
      expect(createHash('sha256').update(files[name]!).digest('hex')).toBe(sha256);
    const csv = await finished(await order({ request: { ...card, kind: 'parts' }, format: 'csv' }));
    expect((await bytesOf(`${papers()}/orders/${csv.id}/file`)).toString()).toMatch(/^Kind,What,Item/);
  });

  it('are refused in words where they cannot be', async () => {
    const refused = async (more: object): Promise<string> => {
      const answer = await test.agent
        .post(`${papers()}/orders`)
        .send({ request: card, format: 'pdf', issue: null, jobRevision: revision, ...more })
        .expect(400);
      return JSON.stringify(answer.body);
    };
    expect(await refused({ format: 'csv' })).toContain('Only a parts list is a table');
    expect(await refused({ request: { ...card, designIds: [] } })).toContain('Choose a design');
    expect(await refused({ format: 'zip', issue: { reissues: null } })).toContain('Only PDF is issued');
    await test.agent
      .post(`${papers()}/orders`)
      .send({ request: card, format: 'pdf', issue: null, jobRevision: revision + 1 })
      .expect(409);
    const lost = await finished(await order({ request: { ...card, designIds: ['gone'] } }));
    expect(lost).toMatchObject({ state: 'failed' });
    expect(lost.says).toContain('design');
  });
});
