import { execFile, spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { cp, mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import { freePort } from './free-port.js';

/** The project's root folder. */
export const root = fileURLToPath(new URL('../../../', import.meta.url));
const stateOfProject = process.env['LEVAMEN_STATE'] ?? join(root, '.levamen');

export interface Ended {
  readonly code: number | null;
  readonly printed: string;
}

/** Waits until something is so, for a machine several times slower than this one. */
export async function until(condition: () => Promise<boolean> | boolean, atMostMs = 90_000): Promise<void> {
  const begin = Date.now();
  while (!(await condition())) {
    if (Date.now() - begin > atMostMs) throw new Error('It did not happen in time');
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
}

/** Whether a process runs; one that has ended and was not waited for does not. */
export const isAlive = (pid: number): boolean => {
  try {
    const facts = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return facts.slice(facts.lastIndexOf(')') + 2, facts.lastIndexOf(')') + 3) !== 'Z';
  } catch {
    return false;
  }
};

/**
 * The program as a user runs it from a shell, with a state folder of its own (its path holds a space). What is built already is
 * not built again.
 */
export class Commands {
  private readonly started: ChildProcess[] = [];

  private constructor(
    readonly state: string,
    readonly port: number,
    private readonly environment: NodeJS.ProcessEnv,
  ) {}

  static async make(environment: NodeJS.ProcessEnv = {}): Promise<Commands> {
    const state = await mkdtemp(join(tmpdir(), 'levamen test '));
    await cp(join(stateOfProject, 'stamps'), join(state, 'stamps'), { recursive: true });
    return new Commands(state, await freePort(), environment);
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts a command in a process group of its own, as a terminal does. */
  launch(args: readonly string[], environment: NodeJS.ProcessEnv = {}): ChildProcess {
    const child = spawn(join(root, 'levamen'), args, {
      cwd: root,
      detached: true,
      env: {
        ...process.env,
        LEVAMEN_STATE: this.state,
        LEVAMEN_PORT: String(this.port),
        LEVAMEN_OPEN: '0',
        // Free for one of them at a time: the test that looks at it names its own ports.
        ...(environment['LEVAMEN_GATEWAY_HTTP'] === undefined ? { LEVAMEN_GATEWAY: 'off' } : {}),
        // One person on this machine: what is tried here asks for no account.
        LEVAMEN_ACCOUNTS: 'off',
        ...this.environment,
        ...environment,
      },
    });
    this.started.push(child);
    return child;
  }

  run(args: readonly string[], environment?: NodeJS.ProcessEnv): Promise<Ended> {
    return ended(this.launch(args, environment));
  }

  healthy(): Promise<boolean> {
    return fetch(`${this.url}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  }

  /** Where the cluster lies: an account that may not enter the state folder has a place of its own. */
  async cluster(): Promise<string> {
    const usual = join(this.state, 'pg');
    return readFile(`${usual}.place`, 'utf8').catch(() => usual);
  }

  /** The process that the launcher has noted under a name. */
  async pidOf(name: string): Promise<number> {
    return Number((await readFile(join(this.state, `run/${name}.pid`), 'utf8')).split(' ')[0]);
  }

  serverPid(): Promise<number> {
    return this.pidOf('server');
  }

  async postmasterPid(): Promise<number> {
    const file = join(await this.cluster(), 'data/postmaster.pid');
    return Number((await readFile(file, 'utf8').catch(() => '')).split('\n')[0]);
  }

  /** What the API answers, parsed. */
  async api(path: string, body?: unknown): Promise<unknown> {
    const response = await fetch(`${this.url}/api/${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: { 'content-type': 'application/json' },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    return response.json();
  }

  async close(): Promise<void> {
    for (const child of this.started.splice(0)) if (child.exitCode === null) child.kill('SIGTERM');
    await this.run(['stop']);
    await rm(await this.cluster(), { recursive: true, force: true });
    await promisify(execFile)('umount', ['-q', this.state]).catch(() => undefined);
    await rm(this.state, { recursive: true, force: true });
  }
}

/** Waits for a command to end, with everything it printed. */
export const ended = (child: ChildProcess): Promise<Ended> =>
  new Promise((resolve) => {
    let printed = '';
    child.stdout?.on('data', (data: Buffer) => (printed += data.toString()));
    child.stderr?.on('data', (data: Buffer) => (printed += data.toString()));
    child.once('close', (code) => resolve({ code, printed }));
  });
