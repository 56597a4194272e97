import { readFileSync } from 'node:fs';
import { demoJobs, type Job, newJob, readJob } from '@levamen/core/job';
import { jobQuerySchema, savedWeatherListSchema } from '@levamen/core/api';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../demo/load-demo.js';
import { JobStore } from '../jobs/job-store.js';
import { ReadingStore } from '../readings/reading-store.js';
import { WeatherStore } from '../weather/weather-store.js';
import { createTestDatabase, openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { makeDataSource, migrations } from './data-source.js';
import { defaultWorkspaceId } from './default-workspace.js';
import { grantedTables } from './grants.js';
import { migrate, NewerDatabase } from './migrate.js';
import { actingFor, fence } from '../workspaces/fence.js';

const who = { actor: 'Test', device: 'bench' };
const saving = (baseRevision: number, document: Job) => ({
  baseRevision,
  saveId: crypto.randomUUID(),
  supersedes: [],
  document,
});

let database: TestDatabase;
beforeAll(async () => {
  database = await openTestDatabase();
});
afterAll(() => database.close());

describe('the database', () => {
  it('has been migrated to exactly what the entities say', async () => {
    const { upQueries } = await database.source.driver.createSchemaBuilder().log();
    expect(upQueries.map(({ query }) => query)).toEqual([]);
  });

  it('gives rights on every table, and no more than rows', async () => {
    const tables = await database.source.query<{ name: string }[]>(
      "SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r'",
    );
    expect(tables.map(({ name }) => name).toSorted()).toEqual([...grantedTables].toSorted());
    await expect(database.source.query('CREATE TABLE mine (x int)')).rejects.toThrow('permission denied');
    await expect(database.source.query('DELETE FROM job')).rejects.toThrow('permission denied');
    await expect(database.source.query('DROP TABLE deed')).rejects.toThrow('must be owner');
    const [role] = await database.source.query<{ super: boolean }[]>(
      'SELECT rolsuper AS super FROM pg_roles WHERE rolname = current_user',
    );
    expect(role?.super).toBe(false);
  });

  it('sets rights right that are more or less, and writes nothing where they are right', async () => {
    const other = await createTestDatabase();
    const role = 'levamen_app';
    await migrate(other.ownerUrl, role);
    const owner = new pg.Client({ connectionString: other.ownerUrl });
    await owner.connect();
    try {
      const state = async (): Promise<string> =>
        JSON.stringify(
          (
            await owner.query(
              'SELECT relname, relacl::text, xmin::text FROM pg_class WHERE relacl IS NOT NULL',
            )
          ).rows,
        );
      const before = await state();
      await migrate(other.ownerUrl, role);
      expect(await state()).toBe(before);
      await owner.query(`GRANT DELETE ON job TO "${role}"; REVOKE SELECT ON deed FROM "${role}";
        REVOKE EXECUTE ON FUNCTION forget_old(uuid) FROM "${role}", PUBLIC; REVOKE INSERT ON pgboss.job FROM "${role}"`);
      await migrate(other.ownerUrl, role);
      const { rows } = await owner.query(
        `SELECT has_table_privilege($1, 'job', 'DELETE') AS more, has_table_privilege($1, 'deed', 'SELECT') AS less,
           has_function_privilege($1, 'forget_old(uuid)', 'EXECUTE') AS done, has_table_privilege($1, 'pgboss.job', 'INSERT') AS queued`,
        [role],
      );
      expect(rows).toEqual([{ more: false, less: true, done: true, queued: true }]);
    } finally {
      await owner.end();
    }
  });

  it('of an earlier program keeps its jobs, revisions and readings', async () => {
    const other = await createTestDatabase();
    const before = await makeDataSource(other.ownerUrl, {
      migrations: migrations.slice(0, 3),
      entities: [],
    }).initialize();
    await before.runMigrations();
    const id = '00000000-0000-4000-8000-00000000000a';
    const set = '00000000-0000-4000-8000-00000000000b';
    // As the first program of version 4 wrote it.
    const golden = new URL('../../../core/src/job/testing/golden/job-v4-first.json', import.meta.url);
    const early = JSON.parse(readFileSync(golden, 'utf8')) as Job;
    await before.query('INSERT INTO job (id, workspace_id, name, head_revision) VALUES ($1, $2, $3, 2)', [
      id,
      defaultWorkspaceId,
      'Early',
    ]);
    for (const revision of [1, 2])
      await before.query(
        'INSERT INTO job_revision (job_id, revision, save_id, document) VALUES ($1, $2, gen_random_uuid(), $3)',
        [id, revision, JSON.stringify(early)],
      );
    await before.query(
      `INSERT INTO reading_set (id, job_id, name, zone, start_s, interval_s, count, channels)
       VALUES ($1, $2, 'Old', 'UTC', 0, 900, 1, '[{"name":"a","role":"load","quantity":"power"},{"name":"b","role":"load","quantity":"power"}]')`,
      [set, id],
    );
    for (const position of [0, 1])
      await before.query('INSERT INTO reading_channel (set_id, position, payload) VALUES ($1, $2, $3)', [
        set,
        position,
        Buffer.from('same'),
      ]);
    await before.query(
      `INSERT INTO weather_year (workspace_id, name, source, latitude_deg, longitude_deg, altitude_m, zone_h, digest, payload)
       VALUES ($1, 'Poison', '', 0, 0, 9999.9, 0, 'x', '')`,
      [defaultWorkspaceId],
    );
    await before.destroy();

    await migrate(other.ownerUrl, 'levamen_app');
    const source = await makeDataSource(other.url).initialize();
    fence(source, { workspaceId: defaultWorkspaceId, accountId: null });
    const store = new JobStore(source, defaultWorkspaceId);
    const { rows } = await store.list(jobQuerySchema.parse({}));
    expect(rows).toMatchObject([{ name: 'Early', place: early.site.place, loadCount: early.loads.length }]);
    const stored = (await store.read(id))!;
    const read = readJob(stored.document);
    expect(read.ok && read.job.brief.outageWeather).toBe(null);
    expect(await store.save(id, saving(2, { ...demoJobs[0]!.job, name: 'Now' }), who)).toMatchObject({
      kind: 'saved',
    });
    expect((await store.revision(id, 1))?.document).toEqual(early);
    const readings = new ReadingStore(source, defaultWorkspaceId);
    expect(await readings.list(id)).toMatchObject([{ id: set, complete: true, bytes: 8 }]);
    expect(await readings.channel(set, 1)).toEqual(Buffer.from('same'));
    expect(await source.query('SELECT count(*)::int AS n FROM blob')).toEqual([{ n: 1 }]);
    expect(
      savedWeatherListSchema.parse(await new WeatherStore(source, defaultWorkspaceId).list()),
    ).toHaveLength(1);
    await source.destroy();
    await other.close();
  });

  it('is migrated once when several servers start at once', async () => {
    const other = await createTestDatabase();
    await Promise.all(Array.from({ length: 4 }, () => migrate(other.ownerUrl, 'levamen_app')));
    const source = await makeDataSource(other.url).initialize();
    expect(await source.query('SELECT name FROM migration')).toHaveLength(migrations.length);
    await source.destroy();
    await other.close();
  });

  it('of a newer program is refused, and not touched', async () => {
    const other = await openTestDatabase();
    const owner = await makeDataSource(other.ownerUrl).initialize();
    await owner.query("INSERT INTO migration (timestamp, name) VALUES (1, 'Tomorrow1')");
    await owner.destroy();
    await expect(migrate(other.ownerUrl, 'levamen_app')).rejects.toThrow(NewerDatabase);
    await other.close();
  });

  it('refuses to change or remove a revision or a line of the log, even to the role that owns them', async () => {
    const store = new JobStore(database.source, defaultWorkspaceId);
    const { id } = await store.create(newJob('Kept'), who);
    const owner = await makeDataSource(database.ownerUrl).initialize();
    for (const statement of [
      `UPDATE job_revision SET revision = 9 WHERE job_id = '${id}'`,
      `DELETE FROM job_revision WHERE job_id = '${id}'`,
      "UPDATE deed SET actor = 'Nobody'",
      'DELETE FROM deed',
    ]) {
      await expect(owner.query(statement)).rejects.toThrow('append-only');
      await expect(database.source.query(statement)).rejects.toThrow('permission denied');
    }
    await owner.destroy();
  });

  it('lets go of a deleted job in one way only, and writes it down', async () => {
    const store = new JobStore(database.source, defaultWorkspaceId);
    const { id } = await store.create(newJob('Going'), who);
    expect(await store.purge(id, who)).toBe(false);
    await store.delete(id, who);
    expect(await store.purge(id, who)).toBe(true);
    expect(await store.restore(id, who)).toBeNull();
    const [deed] = await database.source.query<{ deed: string; facts: object }[]>(
      'SELECT deed, facts FROM deed WHERE job_id = $1 ORDER BY id DESC LIMIT 1',
      [id],
    );
    expect(deed).toEqual({ deed: 'job purged', facts: { name: 'Going', revisions: 1 } });
  });

  it('keeps the jobs of workspaces apart', async () => {
    const other = '00000000-0000-4000-8000-000000000001';
    await database.source.query('INSERT INTO workspace (id, name) VALUES ($1, $2)', [other, 'Other']);
    const mine = new JobStore(database.source, defaultWorkspaceId);
    const theirs = new JobStore(database.source, other);
    const forThem = <Result>(work: () => Result): Result =>
      actingFor({ workspaceId: other, accountId: null }, work);
    const { id } = await forThem(() => theirs.create(newJob('Theirs'), who));
    expect(await mine.read(id)).toBeNull();
    expect(await mine.delete(id, who)).toBe(false);
    expect(await mine.save(id, saving(1, newJob('Mine')), who)).toEqual({ kind: 'missing' });
    const everything = jobQuerySchema.parse({});
    expect((await mine.list(everything)).rows.some((job) => job.id === id)).toBe(false);
    expect((await forThem(() => theirs.list(everything))).rows.map((job) => job.id)).toEqual([id]);
    // Where the program forgets whose rows it asks for, the database does not.
    expect(await forThem(() => mine.list(everything))).toMatchObject({ rows: [], total: 0 });
  });
});

describe('the demo', () => {
  it('is loaded once; what somebody changed or deleted stays so', async () => {
    const store = new JobStore(database.source, defaultWorkspaceId);
    await loadDemo(database.source);
    const [first, second] = demoJobs;
    const { revision } = (await store.read(first!.id))!;
    await store.save(first!.id, saving(revision, { ...first!.job, name: 'Changed' }), who);
    await store.delete(second!.id, who);
    await loadDemo(database.source);
    expect((await store.read(first!.id))?.name).toBe('Changed');
    expect(await store.read(second!.id)).toBeNull();
  });
});
