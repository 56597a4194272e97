import { createServer, request as ask } from 'node:http';
import type { AddressInfo } from 'node:net';
import express from 'express';
import { describe, expect, it } from 'vitest';
import { goodPassword } from '../testing/someone.js';
import { openTestApp } from '../testing/test-app.js';
import { errorHandler } from './error-handler.js';
import { hostGuard, type Reach } from './host-guard.js';

/** What a server that is reached so answers to a request with certain headers, from this machine. */
async function statusOf(reach: Reach, headers: Record<string, string>): Promise<number> {
  const app = express();
  if (reach.proxies.length > 0) app.set('trust proxy', [...reach.proxies]);
  app.use(hostGuard(reach));
  app.get('/', (_request, response) => {
    response.end('in');
  });
  app.use(errorHandler);
  const server = createServer(app).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as AddressInfo;
  const status = await new Promise<number>((resolve, reject) => {
    ask({ port, host: '127.0.0.1', headers }, (response) => {
      response.resume();
      resolve(response.statusCode ?? 0);
    })
      .once('error', reject)
      .end();
  });
  server.close();
  return status;
}

const local: Reach = { hosts: [], proxies: [] };
const proxied: Reach = { hosts: ['levamen.example.org'], proxies: ['loopback'] };
const direct: Reach = { hosts: ['levamen.example.org'], proxies: [] };

describe('a name that is asked for', () => {
  it.each<[string, Reach, Record<string, string>, number]>([
    ['of this machine, on it', local, { host: 'localhost:4780' }, 200],
    ['of somebody else, that resolves to this machine', local, { host: 'evil.example' }, 421],
    [
      'a forwarded one that nobody vouches for',
      local,
      { host: 'localhost', 'x-forwarded-host': 'evil.example' },
      200,
    ],
    ['one of the list', direct, { host: 'levamen.example.org' }, 200],
    ['one beside the list', direct, { host: 'other.example.org' }, 421],
    ['of this machine, from it: its launcher asks how it is', direct, { host: '127.0.0.1' }, 200],
    // Ordinary proxies: the host is kept, or stands in a header of its own.
    ['kept by a proxy', proxied, { host: 'levamen.example.org', 'x-forwarded-for': '10.0.0.7' }, 200],
    [
      'in the header of a proxy',
      proxied,
      { host: '127.0.0.1:4780', 'x-forwarded-host': 'levamen.example.org', 'x-forwarded-for': '10.0.0.7' },
      200,
    ],
    [
      'of this machine, claimed through a proxy',
      proxied,
      { host: 'localhost', 'x-forwarded-for': '10.0.0.7' },
      421,
    ],
    [
      'of somebody else, in the header of a proxy',
      proxied,
      { host: '127.0.0.1', 'x-forwarded-host': 'evil.example', 'x-forwarded-for': '10.0.0.7' },
      421,
    ],
  ])('%s', async (_, reach, headers, status) => {
    expect(await statusOf(reach, headers)).toBe(status);
  });

  it('and a page of another origin', async () => {
    const through = { host: '127.0.0.1:4780', 'x-forwarded-host': 'levamen.example.org' };
    expect(await statusOf(proxied, { ...through, origin: 'https://levamen.example.org' })).toBe(200);
    expect(await statusOf(proxied, { ...through, origin: 'https://evil.example' })).toBe(403);
    expect(await statusOf(local, { host: '127.0.0.1:4780', origin: 'http://127.0.0.1:4780' })).toBe(200);
    expect(await statusOf(local, { host: '127.0.0.1:4780', origin: 'http://127.0.0.1:8080' })).toBe(403);
  });
});

describe('behind a proxy with TLS', () => {
  const headers = {
    host: '127.0.0.1',
    'x-forwarded-host': 'levamen.example.org',
    'x-forwarded-for': '10.0.0.7',
  };

  it('cookies go over TLS only, and a proxy that does not say so is told', async () => {
    const test = await openTestApp(true, { accounts: { secret: 'x', secure: true }, reach: proxied });
    const setup = () =>
      test.agent
        .post('/api/session/setup')
        .set(headers)
        .send({ company: 'Hill', name: 'Ada', email: 'ada@example.org', password: goodPassword });
    const { body } = await setup().expect(403);
    expect((body as { detail: string }).detail).toContain('X-Forwarded-Proto');
    const { headers: answered } = await setup().set('x-forwarded-proto', 'https').expect(201);
    expect(String(answered['set-cookie'])).toMatch(/__Host-levamen=.*Secure/);
    await test.database.close();
  });

  it('each sender has a limit of his own', async () => {
    const test = await openTestApp(false, { reach: proxied, requestsPerMinute: 10 });
    const from = (address: string) =>
      test.agent.get('/api/health').set({ ...headers, 'x-forwarded-for': address });
    for (let n = 0; n < 10; n += 1) await from('10.0.0.7').expect(200);
    await from('10.0.0.7').expect(429);
    await from('10.0.0.8').expect(200);
    await test.database.close();
  });
});
