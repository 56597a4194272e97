import { randomUUID } from 'node:crypto';
import { type Role, roles } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openApiDocument } from '../docs/openapi.js';
import {
  companyWithRoles,
  keptBy,
  otherCompany,
  type OtherCompany,
  secret,
  withReadings,
} from '../testing/other-company.js';
import { Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { actingFor } from '../workspaces/fence.js';
import { leastRole, mayAs } from './rights.js';

const methods = ['get', 'post', 'put', 'delete'] as const;
type Method = (typeof methods)[number];

let test: TestApp;
let own: ReadonlyMap<Role, Someone>;
let signedOut: Someone;
let other: OtherCompany;
/** Of the own company: a job that is given to the surveyor, and a set of its readings. */
let ownJobId: string;
let ownSetId: string;

beforeAll(async () => {
  test = await openTestApp(true, { queue: { add: () => Promise.resolve(), warm: () => undefined } });
  const company = await companyWithRoles(test, roles);
  own = company.of;
  const { owner } = company;
  signedOut = new Someone(test.visitor());
  other = await otherCompany(test, owner);
  const idOf = ({ body }: { body: unknown }): string => (body as { id: string }).id;
  ownJobId = idOf(await owner.send('post', '/api/jobs', { document: newJob('Own') }).expect(201));
  ownSetId = await withReadings(owner, ownJobId, 'Meter');
  const session = await own.get('surveyor')!.session();
  await owner
    .send('put', `/api/jobs/${ownJobId}/people`, {
      accountIds: [session.state === 'signed-in' ? session.accountId : ''],
    })
    .expect(204);
});
afterAll(() => test.database.close());

interface Route {
  readonly method: Method;
  readonly path: string;
}
const document = openApiDocument() as { paths: Record<string, Record<string, unknown>> };
const routes: readonly Route[] = Object.entries(document.paths).flatMap(([path, item]) =>
  methods.filter((method) => method in item).map((method) => ({ method, path })),
);
const placeholder = /\{(\w+)\}/g;

/** What stands in a place of an id. */
function idAt(path: string, name: string, theirs: boolean): string {
  if (name === 'id') {
    if (path.startsWith('/api/people')) return theirs ? other.accountId : randomUUID();
    if (path.startsWith('/api/weather')) return theirs ? other.weatherId : randomUUID();
    return theirs ? other.jobId : ownJobId;
  }
  if (name === 'paperId') return theirs ? other.paperId : randomUUID();
  if (name === 'secret') return 'a'.repeat(32);
  if (name === 'set') return theirs ? other.setId : ownSetId;
  if (name === 'digest') return theirs ? other.digest : 'a'.repeat(64);
  if (name === 'format') return 'json';
  if (/revision|position|seed/i.test(name)) return '1';
  return theirs ? other.jobId : randomUUID();
}

/** The address with the other company's ids in every place of one; and, for each place, with theirs there alone. */
function filled(path: string): readonly { readonly address: string; readonly isTheirJob: boolean }[] {
  const names = [...path.matchAll(placeholder)].map(([, name]) => name!);
  const fill = (theirs: (name: string) => boolean): string =>
    path.replaceAll(placeholder, (_, name: string) => idAt(path, name, theirs(name)));
  const all = { address: fill(() => true), isTheirJob: true };
  return names.length < 2
    ? [all]
    : [
        all,
        ...names.map((one) => ({ address: fill((name) => name === one), isTheirJob: one === 'id' })),
      ].filter(({ address }, index, every) => every.findIndex((one) => one.address === address) === index);
}
/** Addresses somebody reaches before he has signed in. */
const open = /^\/api\/(health|ready|session|given)/;

describe('every address of the API', () => {
  it('is in the description, those of people too', () => {
    expect(routes.length).toBeGreaterThan(40);
    for (const path of ['/api/session', '/api/people', '/api/jobs/{id}/people', '/api/rules'])
      expect(Object.keys(document.paths)).toContain(path);
  });

  it('answers nobody who has not signed in', async () => {
    for (const { method, path } of routes.filter((route) => !open.test(route.path))) {
      const { status, text } = await signedOut.send(method as 'post', filled(path)[0]!.address);
      expect([path, method, status]).toEqual([path, method, 401]);
      expect(text).not.toContain(secret);
    }
  });

  it.each(roles)('gives a %s of one company nothing of another, and changes nothing there', async (role) => {
    const someone = own.get(role)!;
    const before = await keptBy(test, other.workspaceId);
    for (const { method, path } of routes.filter(({ path: one }) => !/^\/api\/session/.test(one)))
      for (const { address, isTheirJob } of filled(path)) {
        // The page would wait for what happens in it.
        if (address.endsWith('/live') && !isTheirJob) continue;
        const asked = method === 'get' ? someone.get(address) : someone.send(method, address, {});
        const { status, text } = await asked;
        const what = `${role} ${method} ${address}: ${status}`;
        expect(status, what).toBeLessThan(500);
        expect(text ?? '', what).not.toContain(secret);
        if (path.includes('{id}') && path.startsWith('/api/jobs/') && isTheirJob)
          expect(status, what).toBeGreaterThanOrEqual(400);
        const least = leastRole(method.toUpperCase(), address.replace(/^\/api/, ''));
        if (!open.test(path) && !mayAs(role, least)) expect(status, what).toBe(403);
      }
    expect(await keptBy(test, other.workspaceId)).toEqual(before);
  });

  it('lets somebody change into no company he is no member of', async () => {
    await own.get('owner')!.send('put', '/api/session/workspace', { id: other.workspaceId }).expect(404);
  });
});

describe('the database', () => {
  it('keeps companies apart where the program forgets to', async () => {
    const { source } = test.database;
    const tables = [
      'job',
      'job_revision',
      'deed',
      'invitation',
      'membership',
      'blob',
      'job_photo',
      'weather_year',
      'reading_set',
      'reading_channel',
      'job_reading_set',
    ];
    for (const table of tables) {
      const all = (workspaceId: string | null) =>
        actingFor({ workspaceId, accountId: null }, () =>
          source.query<{ workspace_id: string }[]>(`SELECT workspace_id FROM ${table}`),
        );
      expect(await all(null), table).toEqual([]);
      const seen = new Set((await all(other.workspaceId)).map((row) => row.workspace_id));
      expect([...seen], table).toEqual([other.workspaceId]);
    }
    await expect(
      actingFor({ workspaceId: randomUUID(), accountId: null }, () =>
        source.query(`INSERT INTO job (workspace_id, name, head_revision) VALUES ($1, 'smuggled', 1)`, [
          other.workspaceId,
        ]),
      ),
    ).rejects.toThrow('row-level security');
  });

  it('has the fence on every table that belongs to a workspace', async () => {
    const rows = await test.database.source.query<{ name: string }[]>(
      `SELECT c.relname AS name FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid
       WHERE c.relkind = 'r' AND a.attname = 'workspace_id' AND NOT c.relrowsecurity
       AND c.relnamespace = 'public'::regnamespace`,
    );
    expect(rows).toEqual([]);
  });
});
