import express from 'express';
import { pino } from 'pino';
import { pinoHttp } from 'pino-http';
import request from 'supertest';
import { QueryFailedError } from 'typeorm';
import { describe, expect, it } from 'vitest';
import { openTestApp } from '../testing/test-app.js';
import { refuseDeepJson } from './bounded-json.js';
import { errorHandler } from './error-handler.js';
import { loggedError } from './log-error.js';

const failed = (code: string): QueryFailedError =>
  new QueryFailedError(
    'INSERT INTO job',
    ['the whole job'],
    Object.assign(new Error('quotes a value'), { code }),
  );

async function answerTo(error: unknown): Promise<{ status: number; detail: string; logged: string }> {
  let logged = '';
  const logger = pino({ serializers: { err: loggedError } }, { write: (line: string) => (logged += line) });
  const app = express()
    .use(pinoHttp({ logger, wrapSerializers: false, serializers: { err: loggedError } }))
    .get('/', () => {
      throw error;
    })
    .use(errorHandler);
  const response = await request(app).get('/');
  return {
    status: response.status,
    detail: (JSON.parse(response.text) as { detail: string }).detail,
    logged,
  };
}

describe('what goes wrong in the database', () => {
  // SQLSTATE classes after the PostgreSQL documentation, appendix A (recalled).
  it.each([
    ['57P03', 503, 'bringing itself up to date'],
    ['57P01', 503, 'does not answer'],
    ['08006', 503, 'does not answer'],
    ['53100', 507, 'disk'],
    ['53300', 503, 'too much to do'],
    ['40P01', 503, 'too much to do'],
    ['42P01', 500, 'went wrong'],
  ])('%s is answered with %i, in words', async (code, status, words) => {
    const answer = await answerTo(failed(code));
    expect([answer.status, answer.detail]).toEqual([status, expect.stringContaining(words)]);
  });

  it('is logged without what people typed', async () => {
    const { logged } = await answerTo(failed('42P01'));
    expect(logged).toContain('INSERT INTO job');
    expect(logged).not.toContain('the whole job');
    expect(logged).not.toContain('quotes a value');
  });
});

describe('nested JSON', () => {
  const check = (text: string): void => refuseDeepJson({} as never, {} as never, Buffer.from(text));

  it('is bounded before it is parsed; brackets in strings do not count', () => {
    expect(() => check('['.repeat(64) + ']'.repeat(64))).not.toThrow();
    expect(() => check('['.repeat(65))).toThrow('64 levels');
    expect(() => check(`{"a":"${'['.repeat(1000)}\\"${'{'.repeat(1000)}"}`)).not.toThrow();
  });

  it('of 3.8 MB of brackets is answered at once', async () => {
    const app = await openTestApp();
    const begin = performance.now();
    await app.agent.post('/api/jobs').type('json').send('['.repeat(3_800_000)).expect(400);
    expect(performance.now() - begin).toBeLessThan(2000);
    await app.database.close();
  });
});
