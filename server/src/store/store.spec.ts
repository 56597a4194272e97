import { demoJobs, newJob } from '@levamen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { loadDemo } from '../demo/load-demo.js';
import { JobStore } from '../jobs/job-store.js';
import { openTestDatabase, type TestDatabase } from '../testing/test-database.js';
import { defaultWorkspaceId } from './default-workspace.js';

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

  it('can be migrated down and up again', async () => {
    const other = await openTestDatabase();
    await other.source.undoLastMigration();
    expect(await other.source.showMigrations()).toBe(true);
    await other.source.runMigrations();
    expect(await other.source.showMigrations()).toBe(false);
    await other.close();
  });

  it('refuses to change or remove a revision', async () => {
    const store = new JobStore(database.source, defaultWorkspaceId);
    const { id } = await store.create(newJob('Kept'));
    await expect(
      database.source.query('UPDATE job_revision SET revision = 9 WHERE job_id = $1', [id]),
    ).rejects.toThrow('append-only');
    await expect(database.source.query('DELETE FROM job_revision WHERE job_id = $1', [id])).rejects.toThrow(
      'append-only',
    );
  });

  it('keeps the jobs of workspaces apart', async () => {
    const other = '00000000-0000-4000-8000-000000000001';
    await database.source.query('INSERT INTO workspace (id, name) VALUES ($1, $2)', [other, 'Other']);
    const mine = new JobStore(database.source, defaultWorkspaceId);
    const theirs = new JobStore(database.source, other);
    const { id } = await theirs.create(newJob('Theirs'));
    expect(await mine.read(id)).toBeNull();
    expect(await mine.delete(id)).toBe(false);
    expect(await mine.save(id, 1, crypto.randomUUID(), newJob('Mine'))).toEqual({ kind: 'missing' });
    expect((await mine.list()).some((job) => job.id === id)).toBe(false);
    expect((await theirs.list()).map((job) => job.id)).toEqual([id]);
  });
});

describe('the demo', () => {
  it('is loaded once; what somebody changed or deleted stays so', async () => {
    const store = new JobStore(database.source, defaultWorkspaceId);
    await loadDemo(database.source);
    const [first, second] = demoJobs;
    const { revision } = (await store.read(first!.id))!;
    await store.save(first!.id, revision, crypto.randomUUID(), { ...first!.job, name: 'Changed' });
    await store.delete(second!.id);
    await loadDemo(database.source);
    expect((await store.read(first!.id))?.document.name).toBe('Changed');
    expect(await store.read(second!.id)).toBeNull();
  });
});
