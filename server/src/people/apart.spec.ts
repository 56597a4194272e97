import { randomUUID } from 'node:crypto';
import { type Role, roles } from '@levamen/core/api';
import { newJob } from '@levamen/core/job';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openApiDocument } from '../docs/openapi.js';
import { actingFor } from '../workspaces/fence.js';
import { goodPassword, Someone } from '../testing/someone.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { leastRole, mayAs } from './rights.js';

/** Stands in everything the other company keeps. */
const secret = 'Quince Orchard';
const methods = ['get', 'post', 'put', 'delete'] as const;
type Method = (typeof methods)[number];

let test: TestApp;
const own = new Map<Role, Someone>();
let signedOut: Someone;
let other: {
  readonly owner: Someone;
  readonly jobId: string;
  readonly workspaceId: string;
  readonly accountId: string;
};

beforeAll(async () => {
  test = await openTestApp(true);
  const owner = new Someone(test.visitor());
  await owner
    .send('post', '/api/session/setup', {
      company: 'Hill Electric',
      name: 'Ada',
      email: 'ada@example.org',
      password: goodPassword,
    })
    .expect(201);
  await owner.session();
  own.set('owner', owner);
  for (const role of roles.filter((one) => one !== 'owner')) {
    const { body } = await owner
      .send('post', '/api/people/invitations', { email: `${role}@example.org`, role })
      .expect(201);
    const someone = new Someone(test.visitor());
    await someone.join((body as { path: string }).path, `A ${role}`, goodPassword);
    own.set(role, someone);
  }
  signedOut = new Someone(test.visitor());

  // Another company of the same installation.
  const workspaceId = randomUUID();
  const client = new pg.Client({ connectionString: test.database.ownerUrl });
  await client.connect();
  await client.query('INSERT INTO workspace (id, name) VALUES ($1, $2)', [workspaceId, secret]);
  await client.query("SELECT set_config('levamen.workspace', $1, false)", [workspaceId]);
  const digest = (await import('node:crypto')).createHash('sha256').update('let me in').digest('hex');
  await client.query(
    `INSERT INTO invitation (workspace_id, kind, email, role, digest, expires_at)
     VALUES ($1, 'invitation', 'quin@example.org', 'owner', $2, now() + interval '1 day')`,
    [workspaceId, digest],
  );
  await client.end();
  const theirs = new Someone(test.visitor());
  await theirs.join(`/join/${workspaceId}_let me in`, `Quin of ${secret}`, goodPassword);
  const { body } = await theirs
    .send('post', '/api/jobs', { document: newJob(`House of ${secret}`) })
    .expect(201);
  const session = await theirs.session();
  other = {
    owner: theirs,
    jobId: (body as { id: string }).id,
    workspaceId,
    accountId: session.state === 'signed-in' ? session.accountId! : '',
  };
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
/** Every place of an id is one of the other company's. */
const filled = (path: string): string =>
  path.replaceAll(/\{(\w+)\}/g, (_, name: string) => {
    if (name === 'id') return path.startsWith('/api/people') ? other.accountId : other.jobId;
    if (name === 'format') return 'json';
    if (/revision|position|seed/i.test(name)) return '1';
    return /digest/i.test(name) ? 'a'.repeat(64) : other.jobId;
  });
/** Addresses somebody reaches before he has signed in. */
const open = /^\/api\/(health|session)/;

describe('every address of the API', () => {
  it('is in the description, those of people too', () => {
    expect(routes.length).toBeGreaterThan(40);
    for (const path of ['/api/session', '/api/people', '/api/jobs/{id}/people', '/api/rules'])
      expect(Object.keys(document.paths)).toContain(path);
  });

  it('answers nobody who has not signed in', async () => {
    for (const { method, path } of routes.filter((route) => !open.test(route.path))) {
      const { status, text } = await signedOut.send(method as 'post', filled(path));
      expect([path, method, status]).toEqual([path, method, 401]);
      expect(text).not.toContain(secret);
    }
  });

  it.each(roles)('gives a %s of one company nothing of another, and changes nothing there', async (role) => {
    const someone = own.get(role)!;
    const before = await kept();
    for (const { method, path } of routes.filter(({ path: one }) => !/^\/api\/session/.test(one))) {
      const address = filled(path);
      const asked = method === 'get' ? someone.get(address) : someone.send(method, address, {});
      const { status, text } = await asked;
      const what = `${role} ${method} ${path}: ${status}`;
      expect(status, what).toBeLessThan(500);
      expect(text ?? '', what).not.toContain(secret);
      if (path.includes('{id}') && path.startsWith('/api/jobs/'))
        expect(status, what).toBeGreaterThanOrEqual(400);
      const least = leastRole(method.toUpperCase(), address.replace(/^\/api/, ''));
      if (!mayAs(role, least)) expect(status, what).toBe(403);
    }
    expect(await kept()).toEqual(before);
  });

  it('lets somebody change into no company he is no member of', async () => {
    await own.get('owner')!.send('put', '/api/session/workspace', { id: other.workspaceId }).expect(404);
  });
});

describe('the database', () => {
  it('keeps companies apart where the program forgets to', async () => {
    const { source } = test.database;
    const tables = ['job', 'job_revision', 'deed', 'invitation', 'membership'];
    for (const table of tables) {
      const all = (workspaceId: string | null) =>
        actingFor({ workspaceId, accountId: null }, () =>
          source.query<{ workspace_id: string }[]>(`SELECT workspace_id FROM ${table}`),
        );
      expect(await all(null), table).toEqual([]);
      const seen = new Set((await all(other.workspaceId)).map((row) => row.workspace_id));
      expect([...seen], table).toEqual(table === 'invitation' ? [other.workspaceId] : [other.workspaceId]);
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

/** What the other company keeps. */
async function kept(): Promise<unknown> {
  const { source } = test.database;
  return actingFor({ workspaceId: other.workspaceId, accountId: null }, () =>
    source.query(
      `SELECT (SELECT json_agg(j ORDER BY j.id) FROM job j) AS jobs,
              (SELECT count(*) FROM job_revision) AS revisions,
              (SELECT json_agg(m ORDER BY m.account_id) FROM membership m) AS members,
              (SELECT count(*) FROM company_rules) AS rules,
              (SELECT count(*) FROM equipment_revision) AS equipment`,
    ),
  );
}
