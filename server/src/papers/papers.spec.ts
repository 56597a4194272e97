import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const list = {
  title: 'Farm, list for the crew',
  head: ['Wall', 'To prepare', 'Because'],
  rows: [
    ['A', 'Plywood 3/4", 10\' 8"', 'It spreads the load.'],
    ['all', 'Knockouts', ''],
  ],
  note: 'Not verified.',
};

describe('a list on paper', () => {
  it('is a PDF under its title', async () => {
    const answer = await test.agent.post('/api/papers/list').send(list).buffer().expect(200);
    expect(answer.headers['content-type']).toBe('application/pdf');
    expect(answer.headers['content-disposition']).toContain('Farm-list-for-the-crew.pdf');
    expect((answer.body as Buffer).subarray(0, 5).toString('latin1')).toBe('%PDF-');
  });
  it('with a row that is short is printed with what it has', async () => {
    await test.agent
      .post('/api/papers/list')
      .send({ ...list, rows: [['A']] })
      .expect(200);
  });
  it('is refused in words where it is too long, has no columns, or brings more than it may', async () => {
    const refused = async (change: object): Promise<string> => {
      const answer = await test.agent
        .post('/api/papers/list')
        .send({ ...list, ...change })
        .expect(400);
      return JSON.stringify(answer.body);
    };
    expect(await refused({ rows: Array.from({ length: 401 }, () => ['A']) })).toContain('at most 400 rows');
    expect(await refused({ head: [] })).toContain('head');
    expect(await refused({ script: 'x' })).toContain('script');
  });
});
