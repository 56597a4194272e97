import { deflateSync } from 'node:zlib';
import { invitationLinkSchema } from '@levamen/core/api';
import { encodeMilli } from '@levamen/core/house/details';
import { newJob } from '@levamen/core/job';
import { emptyCompanySheet } from '@levamen/core/papers';
import { BlobStore, digestOf } from '../blobs/blob-store.js';
import { PaperEntity } from '../papers/paper-entities.js';
import { actingFor } from '../workspaces/fence.js';
import { photo } from './photo.js';
import { readingSet } from './reading-set.js';
import { goodPassword, Someone } from './someone.js';
import type { TestApp } from './test-app.js';
import { weatherText } from './weather-text.js';

/** Stands in everything the other company keeps. */
export const secret = 'Quince Orchard';

/** Another company of the same installation, which keeps something of everything. */
export interface OtherCompany {
  readonly owner: Someone;
  readonly workspaceId: string;
  readonly accountId: string;
  readonly jobId: string;
  readonly setId: string;
  readonly weatherId: string;
  readonly digest: string;
  /** An issued paper, and the secret of a link to it. */
  readonly paperId: string;
  readonly linkSecret: string;
}

/** Gives a job a whole set of readings. */
export async function withReadings(someone: Someone, jobId: string, name: string): Promise<string> {
  const { body } = await someone
    .send('post', `/api/jobs/${jobId}/readings`, { ...readingSet, name })
    .expect(201);
  const { id } = body as { id: string };
  for (const position of readingSet.channels.keys())
    await someone
      .send('put', `/api/jobs/${jobId}/readings/${id}/channels/${position}`)
      .type('application/octet-stream')
      .send(deflateSync(encodeMilli(Int32Array.from([1000, -3, 7, 4_000_000]))))
      .expect(204);
  return id;
}

/** A company sheet, and an issued paper as the queue would leave it, with a link. */
async function withPaper(
  { database }: TestApp,
  owner: Someone,
  workspaceId: string,
  jobId: string,
): Promise<{ readonly paperId: string; readonly linkSecret: string }> {
  const sheet = { ...emptyCompanySheet(), name: `Company of ${secret}` };
  await owner.send('put', '/api/company-sheet', { baseRevision: 0, sheet }).expect(200);
  const paperId = await actingFor({ workspaceId, accountId: null }, async () => {
    const bytes = Buffer.from(`Paper of ${secret}`);
    const digest = digestOf(bytes);
    await database.source.transaction((manager) => new BlobStore(workspaceId).keep(manager, bytes));
    const { identifiers } = await database.source.manager.insert(PaperEntity, {
      workspaceId,
      jobId,
      kind: 'card',
      year: 2026,
      running: 1,
      number: `${secret} 1`,
      letterIndex: 0,
      title: secret,
      request: { kind: 'card', sheet: 'a4', language: 'en', designIds: ['design'], without: [] },
      actor: `Quin of ${secret}`,
      device: '',
      jobRevision: 1,
      equipmentRevision: 0,
      rulePack: 'NEC 2023',
      digest,
      bytes: bytes.length,
      content: { title: secret, company: [], caution: '', blocks: [] },
      changes: [],
    });
    return (identifiers[0] as { id: string }).id;
  });
  const given = await owner
    .send('post', `/api/jobs/${jobId}/papers/${paperId}/links`, { days: 7 })
    .expect(201);
  return { paperId, linkSecret: (given.body as { secret: string }).secret };
}

/**
 * Founds it, and fills it.
 *
 * @param founder owner of the company that was first
 */
export async function otherCompany(test: TestApp, founder: Someone): Promise<OtherCompany> {
  // Who founded it knows its name, and stands in no place of it.
  const { body } = await founder
    .send('post', '/api/people/companies', { name: 'Across the river', email: 'quin@example.org' })
    .expect(201);
  const owner = new Someone(test.visitor());
  await owner.join(invitationLinkSchema.parse(body).path!, `Quin of ${secret}`, goodPassword);
  const idOf = ({ body: made }: { body: unknown }): string => (made as { id: string }).id;
  const jobId = idOf(
    await owner.send('post', '/api/jobs', { document: newJob(`House of ${secret}`) }).expect(201),
  );
  const setId = await withReadings(owner, jobId, `Meter of ${secret}`);
  const digest = digestOf(photo);
  await owner.send('put', `/api/jobs/${jobId}/photos/${digest}`).type('image/jpeg').send(photo).expect(204);
  const weatherId = idOf(
    await owner
      .send('post', '/api/weather')
      .type('text/csv')
      .send(weatherText().replace(/^LOCATION,[^,]*/, `LOCATION,${secret}`))
      .expect(201),
  );
  const session = await owner.session();
  if (session.state !== 'signed-in') throw new Error('The other company has no owner');
  const { paperId, linkSecret } = await withPaper(test, owner, session.workspace.id, jobId);
  return {
    owner,
    workspaceId: session.workspace.id,
    accountId: session.accountId!,
    jobId,
    setId,
    weatherId,
    digest,
    paperId,
    linkSecret,
  };
}

/** Everything a company keeps, to be compared with what it keeps later. */
export async function keptBy({ database }: TestApp, workspaceId: string): Promise<unknown> {
  return actingFor({ workspaceId, accountId: null }, () =>
    database.source.query(
      `SELECT (SELECT json_agg(j ORDER BY j.id) FROM job j) AS jobs,
              (SELECT count(*) FROM job_revision) AS revisions,
              (SELECT json_agg(m ORDER BY m.account_id) FROM membership m) AS members,
              (SELECT json_agg(p ORDER BY p.digest) FROM job_photo p) AS photos,
              (SELECT json_agg(r ORDER BY r.set_id) FROM job_reading_set r) AS readings,
              (SELECT json_agg(c ORDER BY c.set_id, c.position) FROM reading_channel c) AS channels,
              (SELECT json_agg(w.id ORDER BY w.id) FROM weather_year w) AS weather,
              (SELECT count(*) FROM company_rules) AS rules,
              (SELECT json_agg(q ORDER BY q.id) FROM paper q) AS papers,
              (SELECT count(*) FROM paper_order) AS orders,
              (SELECT json_agg(l.revoked_at ORDER BY l.id) FROM client_link l) AS links,
              (SELECT count(*) FROM acceptance) AS acceptances,
              (SELECT json_agg(s.sheet ORDER BY s.revision) FROM company_sheet s) AS sheets,
              (SELECT count(*) FROM equipment_revision) AS equipment`,
    ),
  );
}

/** The first owner, and somebody of each other role, all of one company. */
export async function companyWithRoles<Role extends string>(
  test: TestApp,
  roles: readonly Role[],
): Promise<{ readonly owner: Someone; readonly of: ReadonlyMap<Role, Someone> }> {
  const owner = await new Someone(test.visitor()).setUp();
  const of = new Map<Role, Someone>();
  for (const role of roles) {
    if (role === 'owner') {
      of.set(role, owner);
      continue;
    }
    const { body } = await owner
      .send('post', '/api/people/invitations', { email: `${role}@example.org`, role })
      .expect(201);
    const someone = new Someone(test.visitor());
    await someone.join(invitationLinkSchema.parse(body).path!, `A ${role}`, goodPassword);
    of.set(role, someone);
  }
  return { owner, of };
}
