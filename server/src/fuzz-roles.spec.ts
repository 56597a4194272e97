import { type Role, roles, type Session, sessionSchema, tokenHeader } from '@levamen/core/api';
import { emptyCompanySheet } from '@levamen/core/papers';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openApiDocument } from './docs/openapi.js';
import { listening } from './testing/listening.js';
import { mutated, picker } from './testing/mutations.js';
import {
  companyWithRoles,
  keptBy,
  otherCompany,
  type OtherCompany,
  secret,
} from './testing/other-company.js';
import { times, writeDown } from './testing/proof.js';
import { goodPassword } from './testing/someone.js';
import { openTestApp, type TestApp } from './testing/test-app.js';
import { aHousesQuestion } from './testing/houses-question.js';
import { aTrainingRun } from './testing/training-run.js';
import { photo } from './testing/photo.js';
import { asFetched, type Send, type Valid, validRequests } from './testing/valid-requests.js';

/** Who sends: somebody of each role, and somebody who has not signed in. */
const senders = [...roles, 'nobody'] as const;
const seed = 20_261_128;

let test: TestApp;
let line: Awaited<ReturnType<typeof listening>>;
let other: OtherCompany;
const sessions = new Map<string, { readonly cookie: string; readonly token: string }>();

/** Signs in, as the page does. */
async function signIn(role: Role): Promise<Session> {
  const answer = await fetch(`${line.url}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      email: role === 'owner' ? 'ada@example.org' : `${role}@example.org`,
      password: goodPassword,
    }),
  });
  const cookie = answer.headers.getSetCookie()[0]!.split(';')[0]!;
  const session = sessionSchema.parse(
    await (await fetch(`${line.url}/api/session`, { headers: { cookie } })).json(),
  );
  sessions.set(role, { cookie, token: session.state === 'signed-in' ? session.token : '' });
  return session;
}

beforeAll(async () => {
  // Papers are ordered, and nobody makes them.
  test = await openTestApp(true, { queue: { add: () => Promise.resolve(), warm: () => undefined } });
  const { owner } = await companyWithRoles(test, roles);
  other = await otherCompany(test, owner);
  line = await listening(test.app);
});
afterAll(async () => {
  await line.close();
  await test.database.close();
});

const as =
  (sender: (typeof senders)[number]): Send =>
  async (request) => {
    const session = sessions.get(sender);
    const asked = asFetched(request);
    const response = await fetch(`${line.url}${request.path}`, {
      ...asked,
      headers: {
        ...asked.headers,
        ...(session ? { cookie: session.cookie, [tokenHeader]: session.token } : {}),
      },
    });
    return { status: response.status, text: await response.text() };
  };

/** Asked by nobody: no network of the test is this one. */
const notAllowed = { host: '192.168.7.7', port: 502, units: '1', httpPort: null };
const nobodysId = '00000000-0000-4000-8000-00000000000f';

/** Requests about people and the company that are taken as they are; those that would end the test are left out. */
const aboutPeople = (spareId: string, jobId: string): readonly Valid[] => [
  { method: 'GET', path: '/api/session' },
  { method: 'GET', path: '/api/session/list' },
  { method: 'GET', path: '/api/session/data' },
  { method: 'POST', path: '/api/session/forgotten', body: { email: 'ada@example.org' } },
  { method: 'PUT', path: '/api/session/workspace', body: { id: other.workspaceId } },
  { method: 'GET', path: '/api/session/join/nothing' },
  { method: 'POST', path: '/api/session/join/nothing', body: { name: 'Eve', password: goodPassword } },
  { method: 'GET', path: '/api/people' },
  { method: 'POST', path: '/api/people/invitations', body: { email: 'new@example.org', role: 'viewer' } },
  { method: 'PUT', path: '/api/people/retention', body: { binDays: null, logDays: null } },
  { method: 'POST', path: '/api/people/companies', body: { name: 'Third', email: 'third@example.org' } },
  { method: 'PUT', path: `/api/people/${spareId}`, body: { role: 'viewer' } },
  { method: 'POST', path: `/api/people/${spareId}/reset`, body: {} },
  { method: 'GET', path: `/api/people/${spareId}/data` },
  { method: 'PUT', path: `/api/jobs/${jobId}/people`, body: { accountIds: [spareId] } },
  { method: 'GET', path: `/api/jobs/${jobId}/people` },
  { method: 'GET', path: '/api/health' },
  { method: 'GET', path: '/api/ready' },
  { method: 'GET', path: `/api/jobs/${jobId}` },
  { method: 'GET', path: `/api/jobs/${jobId}/readings` },
  { method: 'GET', path: `/api/jobs/${jobId}/readings/${nobodysId}` },
  { method: 'DELETE', path: `/api/jobs/${jobId}/readings/${nobodysId}` },
  { method: 'DELETE', path: `/api/jobs/${nobodysId}/purge` },
  { method: 'GET', path: '/api/weather' },
  { method: 'DELETE', path: `/api/weather/${nobodysId}` },
  { method: 'GET', path: '/api/monitor/1/live.csv' },
  { method: 'GET', path: '/api/equipment/revisions' },
  { method: 'GET', path: '/api/equipment/prices.json?supplier=x' },
  { method: 'GET', path: '/api/equipment/schema.json' },
  { method: 'GET', path: '/api/schema/job.json' },
  { method: 'GET', path: '/api/schema/commissioning.json' },
  { method: 'POST', path: '/api/drawings/pdf', body: { name: 'Sheet', drawing: {} } },
  { method: 'GET', path: '/api/training-runs' },
  { method: 'POST', path: '/api/training-runs', body: aTrainingRun },
  { method: 'GET', path: '/api/device-networks' },
  { method: 'PUT', path: '/api/device-networks', body: { networks: ['10.9.8.0/24'] } },
  { method: 'POST', path: `/api/jobs/${jobId}/system/find`, body: notAllowed },
  {
    method: 'GET',
    path: `/api/jobs/${jobId}/system/live?host=192.168.7.7&port=502&units=1&httpPort=`,
  },
  { method: 'POST', path: `/api/jobs/${jobId}/system/outages`, body: notAllowed },
  { method: 'GET', path: '/api/backups' },
  { method: 'GET', path: '/api/houses/runs' },
  { method: 'GET', path: `/api/houses/runs/${nobodysId}` },
  { method: 'POST', path: `/api/houses/runs/${nobodysId}/cancel`, body: {} },
  { method: 'POST', path: '/api/houses/runs', body: aHousesQuestion },
  { method: 'GET', path: '/api/houses/due?until=2030-01-01' },
  { method: 'GET', path: `/api/jobs/${jobId}/system/recordings` },
  {
    method: 'POST',
    path: `/api/jobs/${jobId}/system/recordings`,
    body: { name: 'Outage', system: notAllowed },
  },
  { method: 'GET', path: `/api/jobs/${jobId}/system/recordings/${nobodysId}?after=3` },
  { method: 'POST', path: `/api/jobs/${jobId}/system/recordings/${nobodysId}/end`, body: {} },
  { method: 'GET', path: '/api/company-sheet' },
  { method: 'PUT', path: '/api/company-sheet', body: { baseRevision: 0, sheet: emptyCompanySheet() } },
  { method: 'POST', path: '/api/company-sheet/logo', type: 'image/jpeg', body: photo },
  { method: 'GET', path: `/api/company-sheet/logo/${'a'.repeat(64)}` },
  { method: 'GET', path: `/api/jobs/${jobId}/papers` },
  { method: 'DELETE', path: `/api/jobs/${jobId}/papers/orders/${nobodysId}` },
  { method: 'GET', path: `/api/jobs/${jobId}/papers/orders/${nobodysId}` },
  { method: 'GET', path: `/api/jobs/${jobId}/papers/orders/${nobodysId}/file` },
  {
    method: 'POST',
    path: `/api/jobs/${jobId}/papers/orders`,
    body: {
      request: { kind: 'card', sheet: 'a4', language: 'en', designIds: ['design'], without: ['on'] },
      format: 'pdf',
      issue: { reissues: null },
      jobRevision: 1,
    },
  },
  { method: 'GET', path: `/api/jobs/${jobId}/papers/${nobodysId}/file` },
  { method: 'DELETE', path: `/api/jobs/${jobId}/papers/${nobodysId}` },
  { method: 'GET', path: `/api/jobs/${jobId}/papers/${nobodysId}/links` },
  { method: 'POST', path: `/api/jobs/${jobId}/papers/${nobodysId}/links`, body: { days: 30 } },
  { method: 'DELETE', path: `/api/jobs/${jobId}/papers/${nobodysId}/links/${nobodysId}` },
  { method: 'GET', path: `/api/given/${'a'.repeat(32)}` },
  { method: 'GET', path: `/api/given/${'a'.repeat(32)}/file` },
  { method: 'POST', path: `/api/given/${'a'.repeat(32)}/accept`, body: { designId: 'd', name: 'Jo' } },
  { method: 'GET', path: '/api/rules' },
  { method: 'PUT', path: '/api/rules', body: { baseRevision: 0, said: 'None', rules: [] } },
  {
    method: 'POST',
    path: '/api/papers/list',
    body: { title: 'List', head: ['What'], rows: [['This']], note: '' },
  },
];

describe('mutated requests of every role', () => {
  it('are answered, never with a 500, give nothing of another company, and change nothing there', async () => {
    const who = new Map<Role, Session>();
    for (const role of roles) who.set(role, await signIn(role));
    const spare = who.get('viewer')!;
    const spareId = spare.state === 'signed-in' ? spare.accountId! : '';
    const usual = await validRequests(as('owner'));
    const jobId = (await usual[6]!()).path.split('/')[3]!;
    const people = aboutPeople(spareId, jobId).map((one) => () => Promise.resolve(one));
    const requests = [...usual, ...people];
    const before = await keptBy(test, other.workspaceId);
    const theirs = [
      other.jobId,
      other.setId,
      other.weatherId,
      other.digest,
      other.accountId,
      other.workspaceId,
      other.paperId,
      `/api/jobs/${other.jobId}`,
    ];
    const pick = picker(seed);
    const total = times(700, 100_000);
    const counts = new Map<string, number>();
    const begin = Date.now();
    for (let i = 0; i < total; i += 1) {
      const sender = senders[pick(senders.length)]!;
      const request = mutated(await requests[i % requests.length]!(), pick, theirs);
      const { status, text } = await as(sender)(request);
      counts.set(`${status}`, (counts.get(`${status}`) ?? 0) + 1);
      const told = `${sender} ${request.method} ${request.path.slice(0, 200)} ${JSON.stringify(request.body)?.slice(0, 2000)} → ${status} ${text.slice(0, 500)}`;
      expect(status, told).toBeLessThan(500);
      expect(text, told).not.toContain(secret);
      if (sender === 'nobody' && !/^\/api\/(health|ready|session|given)/.test(request.path))
        expect([400, 401, 404, 413, 415], told).toContain(status);
    }
    expect(await keptBy(test, other.workspaceId)).toEqual(before);
    writeDown('fuzz-roles', {
      requests: total,
      seed,
      senders: senders.join(', '),
      'answers by status': [...counts]
        .toSorted(([a], [b]) => Number(a) - Number(b))
        .map(([status, count]) => `${status}: ${count}`)
        .join(', '),
      seconds: Math.round((Date.now() - begin) / 1000),
    });
  }, 3_600_000);

  it('are of every address of the description, but those that would end the test or never end themselves', async () => {
    const usual = await validRequests(as('owner'));
    const sent = [...(await Promise.all(usual.map((one) => one()))), ...aboutPeople('x', 'y')];
    const { paths } = openApiDocument() as { paths: Record<string, Record<string, unknown>> };
    const missing = Object.entries(paths).flatMap(([path, item]) => {
      const pattern = new RegExp(`^${path.replaceAll('.', '\\.').replaceAll(/\{\w+\}/g, '[^/?]+')}(\\?|$)`);
      return ['get', 'post', 'put', 'delete']
        .filter((method) => method in item)
        .filter(
          (method) => !sent.some((one) => one.method.toLowerCase() === method && pattern.test(one.path)),
        )
        .map((method) => `${method} ${path}`);
    });
    expect(missing).toEqual([
      // Signing in and secrets: people.spec.ts tries them, with the limits that hold there.
      'post /api/session',
      'delete /api/session',
      'post /api/session/setup',
      'delete /api/session/others',
      'put /api/session/password',
      'post /api/session/second-factor',
      'put /api/session/second-factor',
      'delete /api/session/second-factor',
      'put /api/people/policy',
      'delete /api/people/invitations/{id}',
      'delete /api/people/{id}',
      'post /api/people/{id}/erasure',
      // It goes on until the job is closed.
      'get /api/jobs/{id}/live',
    ]);
  });
});
