import { spawn, type ChildProcess } from 'node:child_process';
import { cp, mkdir, mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { createServer, type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

/** The command as a user runs it, with a state folder of its own; what is built already is not built again. */
const root = new URL('../../', import.meta.url).pathname;
let state: string;
const started: ChildProcess[] = [];

interface Ended {
  readonly code: number | null;
  readonly printed: string;
}

const launch = (args: readonly string[], environment: NodeJS.ProcessEnv = {}): ChildProcess => {
  const child = spawn('./levamen', args, {
    cwd: root,
    env: { ...process.env, LEVAMEN_STATE: state, LEVAMEN_OPEN: '0', ...environment },
  });
  started.push(child);
  return child;
};
const ended = (child: ChildProcess): Promise<Ended> =>
  new Promise((resolve) => {
    let printed = '';
    child.stdout?.on('data', (data: Buffer) => (printed += data.toString()));
    child.stderr?.on('data', (data: Buffer) => (printed += data.toString()));
    child.once('close', (code) => resolve({ code, printed }));
  });
const run = (args: readonly string[], environment?: NodeJS.ProcessEnv): Promise<Ended> =>
  ended(launch(args, environment));
const freePort = async (): Promise<{ port: number; release: () => Promise<void> }> => {
  const server = createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  return {
    port: (server.address() as AddressInfo).port,
    release: () => new Promise((resolve) => server.close(() => resolve())),
  };
};
const healthy = (port: number): Promise<boolean> =>
  fetch(`http://127.0.0.1:${port}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );
const until = async (condition: () => Promise<boolean>): Promise<void> => {
  const begin = Date.now();
  while (!(await condition())) {
    if (Date.now() - begin > 50_000) throw new Error('It did not happen in time');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
};

beforeEach(async () => {
  state = await mkdtemp(join(tmpdir(), 'levamen-'));
  await cp(join(root, '.levamen/stamps'), join(state, 'stamps'), { recursive: true });
});
afterEach(async () => {
  for (const child of started.splice(0)) child.kill('SIGTERM');
  await run(['stop']);
  await rm(state, { recursive: true, force: true });
});

describe('./levamen', () => {
  it('lists its commands, and refuses others', async () => {
    const help = await run(['help']);
    expect(help.printed).toContain('./levamen demo');
    const other = await run(['frobnicate']);
    expect(other.code).toBe(1);
    expect(other.printed).toContain('There is no command "frobnicate"');
  });

  it('says what to do about a port that is wrong or in use', async () => {
    const wrong = await run(['start'], { LEVAMEN_PORT: 'http' });
    expect([wrong.code, wrong.printed]).toEqual([1, expect.stringContaining('is not a port')]);
    const taken = await freePort();
    const inUse = await run(['start'], { LEVAMEN_PORT: String(taken.port) });
    await taken.release();
    expect(inUse.code).toBe(1);
    expect(inUse.printed).toContain(`LEVAMEN_PORT=${taken.port + 1} ./levamen start`);
  });

  it('says what to do about a damaged data directory, and touches nothing in it', async () => {
    await mkdir(join(state, 'pg/data'), { recursive: true });
    await writeFile(join(state, 'pg/data/leftover'), 'precious');
    const { port, release } = await freePort();
    await release();
    const result = await run(['start'], { LEVAMEN_PORT: String(port) });
    expect(result.code).toBe(1);
    expect(result.printed).toContain('is damaged or incomplete');
    expect(result.printed).toContain('Move it away');
    expect(await readFile(join(state, 'pg/data/leftover'), 'utf8')).toBe('precious');
  });

  it('starts with demo jobs, says where, keeps its database to itself, and stops cleanly', async () => {
    const { port, release } = await freePort();
    await release();
    const first = launch(['demo'], { LEVAMEN_PORT: String(port) });
    const firstEnded = ended(first);
    await until(() => healthy(port));
    const jobs = (await (await fetch(`http://127.0.0.1:${port}/api/jobs`)).json()) as unknown[];
    expect(jobs).toHaveLength(2);
    const page = await fetch(`http://127.0.0.1:${port}/jobs`);
    expect([page.status, page.headers.get('content-type')]).toEqual([200, 'text/html; charset=utf-8']);

    // The password is for nobody else to read, and there is no way in without it.
    expect((await stat(join(state, 'pg/password'))).mode & 0o777).toBe(0o600);
    const database = { host: '127.0.0.1', port: Number(await readFile(join(state, 'pg/port'), 'utf8')) };
    const intruder = new pg.Client({ ...database, user: 'levamen', password: 'guess', database: 'postgres' });
    await expect(intruder.connect()).rejects.toThrow('password authentication failed');

    // A second start finds the first one.
    const second = await run(['demo'], { LEVAMEN_PORT: String(port) });
    expect([second.code, second.printed]).toEqual([0, expect.stringContaining('runs already')]);

    await run(['stop']);
    expect(await healthy(port)).toBe(false);
    expect((await firstEnded).printed).toContain('Levamen has stopped.');
  });

  it('ends server and database at Ctrl-C, and a second start takes less than ten seconds', async () => {
    const { port, release } = await freePort();
    await release();
    const environment = { LEVAMEN_PORT: String(port) };
    for (const round of ['first', 'second']) {
      const begin = Date.now();
      const child = launch(['start'], environment);
      const result = ended(child);
      await until(() => healthy(port));
      if (round === 'second') expect(Date.now() - begin).toBeLessThan(10_000);
      child.kill('SIGINT');
      expect((await result).printed).toContain('Levamen has stopped.');
      expect(await healthy(port)).toBe(false);
    }
  });
});
