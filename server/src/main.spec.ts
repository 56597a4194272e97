import { type ChildProcess, execFile, fork } from 'node:child_process';
import { once } from 'node:events';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { request as ask } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { demoJobs, newJob } from '@levamen/core/job';
import type { PaperOrder, SavedJob } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readConfig } from './config.js';
import { goodPassword } from './testing/someone.js';
import { openTestDatabase, type TestDatabase } from './testing/test-database.js';

/** The built program, as it runs. `./levamen test` builds it first. */
const program = fileURLToPath(new URL('../dist/main.js', import.meta.url));

let database: TestDatabase;
const running = new Set<ChildProcess>();
beforeAll(async () => {
  database = await openTestDatabase();
});
afterAll(async () => {
  for (const child of running) child.kill('SIGKILL');
  await database.close();
});

/** Fails at once when the program ends instead of getting ready. */
const ready = async (child: ChildProcess): Promise<number> => {
  const ended = once(child, 'exit').then(([code]) => {
    throw new Error(`The program ended with ${String(code)}`);
  });
  const [message] = (await Promise.race([once(child, 'message'), ended])) as [{ port: number }];
  ended.catch(() => undefined);
  return message.port;
};

const start = async (
  port = 0,
  accounts = 'off',
  more: NodeJS.ProcessEnv = {},
): Promise<{ child: ChildProcess; url: string }> => {
  const child = fork(program, {
    // The test runner's own flags point at sources; the program runs as built.
    execArgv: [],
    env: {
      ...process.env,
      LEVAMEN_DATABASE_URL: database.url,
      LEVAMEN_MIGRATION_URL: database.ownerUrl,
      LEVAMEN_PORT: String(port),
      LEVAMEN_ACCOUNTS: accounts,
      LEVAMEN_LOG_LEVEL: 'silent',
      ...more,
    },
  });
  running.add(child);
  return { child, url: `http://127.0.0.1:${await ready(child)}` };
};
const put = (url: string, job: SavedJob, name: string, baseRevision: number): Promise<Response> =>
  fetch(`${url}/api/jobs/${job.id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ baseRevision, saveId: crypto.randomUUID(), document: newJob(name) }),
  });
/** Asks for something, and gives the JSON of the answer. */
const asked = async <T>(address: string, body?: unknown): Promise<T> =>
  (await fetch(address, {
    ...(body === undefined
      ? {}
      : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  }).then((response) => response.json())) as T;
const createAt = async (url: string): Promise<SavedJob> =>
  (await fetch(`${url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: newJob('Save 1') }),
  }).then((response) => response.json())) as SavedJob;

describe('the running server', () => {
  it('killed while a paper is made goes on with it once it is back', async () => {
    const { child, url } = await start();
    const { id, revision } = await asked<SavedJob>(`${url}/api/jobs`, { document: demoJobs[0]!.job });
    const orders = `/api/jobs/${id}/papers/orders`;
    const request = {
      kind: 'packet',
      sheet: 'a4',
      language: 'en',
      designIds: [demoJobs[0]!.job.chosenDesignId],
      without: [],
    };
    const order = await asked<PaperOrder>(`${url}${orders}`, {
      request,
      format: 'pdf',
      issue: { reissues: null },
      jobRevision: revision,
    });
    const until = async (base: string, wanted: string): Promise<PaperOrder> => {
      for (;;) {
        const now = await asked<PaperOrder>(`${base}${orders}/${order.id}`);
        if (now.state === wanted) return now;
        expect(['waiting', 'making']).toContain(now.state);
        await new Promise((resolve) => setTimeout(resolve, 100));
      }
    };
    await until(url, 'making');
    const gone = once(child, 'exit');
    child.kill('SIGKILL');
    await gone;
    const again = await start();
    const done = await until(again.url, 'done');
    const issued = await asked<readonly { id: string; number: string }[]>(
      `${again.url}/api/jobs/${id}/papers`,
    );
    // One paper, with one number: nothing was begun twice.
    expect(issued).toMatchObject([{ id: done.paperId, number: expect.stringMatching(/-0001$/) as string }]);
    again.child.kill('SIGKILL');
  }, 90_000);

  it('killed in the middle of saves keeps every save it had answered, and never half of one', async () => {
    for (let round = 0; round < 4; round += 1) {
      const { child, url } = await start();
      const job = await createAt(url);
      let answered = 1;
      const saving = (async () => {
        for (let revision = 1; ; revision += 1) {
          const response = await put(url, job, `Save ${revision + 1}`, revision);
          const body = (await response.json()) as { revision: number };
          answered = body.revision;
        }
      })().catch(() => undefined);
      await new Promise((resolve) => setTimeout(resolve, 60 + 45 * round));
      child.kill('SIGKILL');
      await once(child, 'exit');
      await saving;
      const again = await start();
      const kept = (await (await fetch(`${again.url}/api/jobs/${job.id}`)).json()) as SavedJob;
      // The last save may have been written without its answer arriving; nothing answered may be missing.
      expect(kept.revision).toBeGreaterThanOrEqual(answered);
      expect(kept.revision).toBeLessThanOrEqual(answered + 1);
      expect(kept.document.name).toBe(`Save ${kept.revision}`);
      again.child.kill('SIGTERM');
      await once(again.child, 'exit');
    }
    // Eight starts, on a machine that may be busy.
  }, 150_000);

  it('told to stop answers what is under way and exits cleanly', async () => {
    const { child, url } = await start();
    const job = await createAt(url);
    const saving = put(url, job, 'Last words', 1);
    await new Promise((resolve) => setTimeout(resolve, 5));
    child.kill('SIGTERM');
    const [code] = (await once(child, 'exit')) as [number];
    expect(code).toBe(0);
    expect((await saving).status).toBe(200);
  });

  it('asks for the owner first, and keeps everybody signed in when it starts again', async () => {
    const first = await start(0, 'on');
    expect((await fetch(`${first.url}/api/jobs`)).status).toBe(401);
    const entered = await fetch(`${first.url}/api/session/setup`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        company: 'Hill Electric',
        name: 'Ada',
        email: 'ada@example.org',
        password: goodPassword,
      }),
    });
    expect(entered.status).toBe(201);
    const cookie = entered.headers.get('set-cookie')!.split(';')[0]!;
    first.child.kill('SIGKILL');
    await once(first.child, 'exit');
    const second = await start(0, 'on');
    expect((await fetch(`${second.url}/api/jobs`, { headers: { cookie } })).status).toBe(200);
    second.child.kill('SIGTERM');
    await once(second.child, 'exit');
  });

  it('speaks TLS where it is given a certificate, and no cookie of it goes elsewhere', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'levamen-tls-'));
    const [cert, key] = [join(folder, 'cert.pem'), join(folder, 'key.pem')];
    await promisify(execFile)('openssl', [
      ...['req', '-x509', '-newkey', 'rsa:2048', '-nodes', '-days', '2', '-subj', '/CN=localhost'],
      ...['-addext', 'subjectAltName=DNS:localhost,IP:127.0.0.1', '-keyout', key, '-out', cert],
    ]);
    const { child, url } = await start(0, 'on', { LEVAMEN_TLS_CERT: cert, LEVAMEN_TLS_KEY: key });
    const ca = await readFile(cert);
    const answer = await new Promise<{ status: number; headers: NodeJS.Dict<string | string[]> }>(
      (resolve, reject) => {
        const body = JSON.stringify({ email: 'nobody@example.org', password: 'of nobody at all' });
        const asked = ask(
          `https://localhost:${new URL(url).port}/api/session`,
          { ca, method: 'POST', headers: { 'content-type': 'application/json' } },
          (response) => {
            response.resume();
            resolve({ status: response.statusCode ?? 0, headers: response.headers });
          },
        );
        asked.once('error', reject).end(body);
      },
    );
    expect(answer.status).toBe(401);
    expect(answer.headers['strict-transport-security']).toContain('max-age');
    child.kill('SIGTERM');
    await once(child, 'exit');
    await rm(folder, { recursive: true });
  });

  it('says which port is in use', async () => {
    const { url, child } = await start();
    const second = fork(program, {
      silent: true,
      execArgv: [],
      env: {
        ...process.env,
        LEVAMEN_DATABASE_URL: database.url,
        LEVAMEN_MIGRATION_URL: database.ownerUrl,
        LEVAMEN_PORT: new URL(url).port,
        LEVAMEN_LOG_LEVEL: 'error',
      },
    });
    let printed = '';
    second.stdout?.on('data', (data: Buffer) => (printed += data.toString()));
    const [code] = (await once(second, 'exit')) as [number];
    expect(code).toBe(3);
    expect(printed).toContain('is in use');
    child.kill('SIGTERM');
    await once(child, 'exit');
  });
});

describe('the configuration', () => {
  it('lets nobody in from outside without accounts', () => {
    const url = { LEVAMEN_DATABASE_URL: 'postgres://x' };
    expect(readConfig(url).accounts).toBe(true);
    expect(readConfig({ ...url, LEVAMEN_DEMO: 'true' }).accounts).toBe(false);
    for (const open of [{ LEVAMEN_DEMO: 'true' }, { LEVAMEN_ACCOUNTS: 'off' }])
      expect(() => readConfig({ ...url, ...open, LEVAMEN_HOST: '0.0.0.0' })).toThrow('LEVAMEN_HOST');
    expect(readConfig({ ...url, LEVAMEN_ACCOUNTS: 'off' }).accounts).toBe(false);
    const tls = { LEVAMEN_TLS_CERT: 'c', LEVAMEN_TLS_KEY: 'k' };
    const open = { ...url, LEVAMEN_HOST: '0.0.0.0' };
    expect(() => readConfig(open)).toThrow('LEVAMEN_TLS_CERT');
    expect(() => readConfig({ ...open, LEVAMEN_TLS_CERT: 'c' })).toThrow('both or neither');
    expect(() => readConfig({ ...open, ...tls })).toThrow('LEVAMEN_HOSTS');
    expect(() => readConfig({ ...url, LEVAMEN_PROXY: 'loopback' })).toThrow('LEVAMEN_HOSTS');
    expect(() => readConfig({ ...url, LEVAMEN_HOSTS: 'https://x' })).toThrow('without scheme');
    expect(readConfig({ ...open, ...tls, LEVAMEN_HOSTS: 'Levamen.example.org, b.example' })).toMatchObject({
      reach: { hosts: ['levamen.example.org', 'b.example'], proxies: [] },
      tls: { cert: 'c', key: 'k' },
    });
  });

  it('names what is missing or wrong', () => {
    expect(() => readConfig({})).toThrow('LEVAMEN_DATABASE_URL');
    expect(() => readConfig({ LEVAMEN_DATABASE_URL: 'postgres://x', LEVAMEN_PORT: '99999' })).toThrow(
      'LEVAMEN_PORT',
    );
    expect(readConfig({ LEVAMEN_DATABASE_URL: 'postgres://x' })).toMatchObject({
      host: '127.0.0.1',
      port: 4780,
      demo: false,
    });
  });
});
