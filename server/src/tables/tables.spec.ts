import { xlsxType } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import readXlsx from './read-xlsx.js';
import { tableXlsx } from './table-xlsx.js';
import { zipOf } from '../testing/zip.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const send = async (body: Buffer): Promise<{ status: number; title: string }> => {
  const answer = await test.agent.post('/api/tables').set('content-type', xlsxType).send(body);
  return { status: answer.status, title: (answer.body as { title: string }).title };
};

describe('tables', () => {
  it('come back as they went, as wide as a list of equipment of every kind', async () => {
    const cells = (row: number): string[] => Array.from({ length: 300 }, (_, column) => `${row}.${column}`);
    const table = [cells(0), cells(1)];
    expect(await readXlsx(await tableXlsx('Wide', table))).toEqual(table);
  });

  it('that are no workbooks are refused in words', async () => {
    const noWorkbook = { status: 422, title: 'Not a workbook' };
    expect(await send(Buffer.from('PK no'))).toEqual(noWorkbook);
    expect(await send(zipOf([{ name: 'hello.txt', bytes: Buffer.from('hello') }]))).toMatchObject({
      status: expect.toSatisfy((status) => status === 422 || status === 200) as number,
    });
    await test.agent.post('/api/tables').set('content-type', 'text/plain').send('a,b').expect(415);
    const large = await test.agent
      .post('/api/tables')
      .set('content-type', xlsxType)
      .send(Buffer.alloc(6_000_000))
      .expect(413);
    expect((large.body as { detail: string }).detail).toBe('A workbook may have at most 5 MB.');
  });

  it('that inflate to hundreds of megabytes are refused, whatever they say of their size', async () => {
    const bytes = Buffer.alloc(400_000_000, ' ');
    const name = 'xl/worksheets/sheet1.xml';
    expect(await send(zipOf([{ name, bytes }]))).toEqual({ status: 422, title: 'Too large' });
    expect((await send(zipOf([{ name, bytes, claimedBytes: 1000 }]))).status).toBe(422);
    await test.agent.get('/api/health').expect(200);
  });

  it('of which the cells would not fit into the memory of a worker are refused', async () => {
    const row = '<row>' + '<c t="inlineStr"><is><t>x</t></is></c>'.repeat(60) + '</row>';
    const sheet = Buffer.from(
      `<worksheet xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main"><sheetData>${row.repeat(20_000)}</sheetData></worksheet>`,
    );
    const book = zipOf([
      {
        name: '[Content_Types].xml',
        bytes: Buffer.from(
          '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="xml" ContentType="application/xml"/></Types>',
        ),
      },
      {
        name: 'xl/workbook.xml',
        bytes: Buffer.from(
          '<workbook xmlns="http://schemas.openxmlformats.org/spreadsheetml/2006/main" xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"><sheets><sheet name="A" sheetId="1" r:id="rId1"/></sheets></workbook>',
        ),
      },
      { name: 'xl/worksheets/sheet1.xml', bytes: sheet },
    ]);
    expect((await send(book)).status).toBe(422);
    await test.agent.get('/api/health').expect(200);
  });
});
