import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { sessionSchema, tokenHeader } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Commands, ended, until } from './testing/command.js';
import { openProxy, type Proxy, proxiedName } from './testing/nginx.js';
import { goodPassword } from './testing/someone.js';
import { times, writeDown } from './testing/proof.js';

let levamen: Commands;
let proxy: Proxy;
let running: ReturnType<typeof ended>;

beforeAll(async () => {
  levamen = await Commands.make({
    LEVAMEN_ACCOUNTS: 'on',
    LEVAMEN_HOSTS: proxiedName,
    LEVAMEN_PROXY: 'loopback',
    LEVAMEN_SERVERS: '2',
    LEVAMEN_BACKUPS: 'off',
    LEVAMEN_REQUESTS_PER_MINUTE: '1000000',
  });
  running = ended(levamen.launch(['start']));
  await until(() => levamen.healthy());
  proxy = await openProxy(join(levamen.state, 'proxy'), [levamen.port, levamen.port + 1]);
});
afterAll(async () => {
  await proxy.close();
  await levamen.run(['stop']);
  await running;
  await levamen.close();
});

/** Somebody who has signed in once, and whose requests are sent again until they are answered. */
class Visitor {
  private cookie = '';
  private token = '';
  /** Answers that say that nobody has signed in. */
  signedOut = 0;

  async ask(method: string, path: string, body?: unknown): Promise<{ status: number; body: unknown }> {
    for (;;) {
      const answer = await fetch(`${proxy.url}/api/${path}`, {
        method,
        headers: { 'content-type': 'application/json', cookie: this.cookie, [tokenHeader]: this.token },
        signal: AbortSignal.timeout(20_000),
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      }).catch(() => null);
      if (answer?.status === 401) this.signedOut += 1;
      // As a page does: what got no answer is sent again.
      if (!answer || answer.status >= 500) {
        await new Promise((resolve) => setTimeout(resolve, 200));
        continue;
      }
      const [set] = answer.headers.getSetCookie();
      if (set !== undefined) this.cookie = set.split(';')[0]!;
      const text = await answer.text();
      return { status: answer.status, body: text === '' ? null : (JSON.parse(text) as unknown) };
    }
  }

  async enter(): Promise<void> {
    const owner = { company: 'Proofs', name: 'Ada', email: 'ada@example.org', password: goodPassword };
    expect((await this.ask('POST', 'session/setup', owner)).status).toBe(201);
    const session = sessionSchema.parse((await this.ask('GET', 'session')).body);
    if (session.state !== 'signed-in') throw new Error('Nobody has signed in');
    this.token = session.token;
  }
}

interface Acknowledged {
  readonly jobId: string;
  readonly revision: number;
  readonly name: string;
}

describe('two servers behind a proxy', () => {
  const saves = times(160, 1000);
  const writers = 8;

  it('lose nothing that was acknowledged, and sign nobody out, while each of them and the database are killed', async () => {
    const ada = new Visitor();
    await ada.enter();
    const acknowledged: Acknowledged[] = [];
    let count = 0;
    const began = Date.now();
    const write = async (writer: number): Promise<void> => {
      const made = await ada.ask('POST', 'jobs', { document: newJob(`Writer ${writer}`) });
      expect(made.status).toBe(201);
      const { id: jobId } = made.body as { id: string };
      for (let revision = 1; count < saves; revision += 1) {
        const name = `Writer ${writer}, ${revision}`;
        const save = { baseRevision: revision, saveId: randomUUID(), supersedes: [], document: newJob(name) };
        count += 1;
        const { status, body } = await ada.ask('PUT', `jobs/${jobId}`, save);
        expect([status, body]).toEqual([200, expect.objectContaining({ revision: revision + 1 })]);
        acknowledged.push({ jobId, revision: revision + 1, name });
      }
    };
    const killed: string[] = [];
    const kill = async (): Promise<void> => {
      const victims: readonly (readonly [string, () => Promise<number>])[] = [
        ['first server', () => levamen.pidOf('server')],
        ['second server', () => levamen.pidOf('server-2')],
        ['database', () => levamen.postmasterPid()],
      ];
      for (const [place, [name, pid]] of victims.entries()) {
        await until(() => acknowledged.length >= ((place + 1) * saves) / 4, 180_000);
        process.kill(await pid(), 'SIGKILL');
        killed.push(name);
      }
    };
    await Promise.all([kill(), ...Array.from({ length: writers }, (_, writer) => write(writer))]);
    expect(killed).toHaveLength(3);

    // What was acknowledged stands in the revision it was acknowledged as.
    let lost = 0;
    for (const { jobId, revision, name } of acknowledged) {
      const { body } = await ada.ask('GET', `jobs/${jobId}/revisions/${revision}`);
      if ((body as { document: { name: string } }).document.name !== name) lost += 1;
    }
    expect(lost).toBe(0);
    expect(ada.signedOut).toBe(0);
    expect((await ada.ask('GET', 'session/list')).body).toHaveLength(1);
    writeDown('servers', {
      'saves acknowledged': acknowledged.length,
      writers,
      killed: killed.join(', '),
      lost,
      'answers that asked to sign in': ada.signedOut,
      seconds: Math.round((Date.now() - began) / 1000),
    });
    // A minute on a machine that does nothing else, where all thousand are saved.
  }, 300_000);
});
