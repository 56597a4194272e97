import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import { newJob } from '@levamen/core/job';
import pg from 'pg';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Commands, ended, until } from './testing/command.js';
import { createTestDatabase, type TestDatabase } from './testing/test-database.js';

const adminUrl = process.env['LEVAMEN_TEST_DATABASE_URL']!;
let database: Omit<TestDatabase, 'source'>;
let levamen: Commands;
let there: NodeJS.ProcessEnv;
beforeEach(async () => {
  database = await createTestDatabase();
  levamen = await Commands.make();
  there = { LEVAMEN_DATABASE_URL: database.url, LEVAMEN_MIGRATION_URL: database.ownerUrl };
});
afterEach(async () => {
  await levamen.close();
  await database.close();
});

const answersAt = (port: number): Promise<boolean> =>
  fetch(`http://127.0.0.1:${port}/api/ready`).then(
    ({ ok }) => ok,
    () => false,
  );
const jobsAt = async (port: number): Promise<readonly string[]> => {
  const { rows } = (await (await fetch(`http://127.0.0.1:${port}/api/jobs`)).json()) as {
    rows: { name: string }[];
  };
  return rows.map(({ name }) => name).toSorted();
};

describe('a database that is kept elsewhere', () => {
  it('has to be named whole, and as two roles', async () => {
    const said: readonly (readonly [string[], NodeJS.ProcessEnv, string])[] = [
      [
        ['start'],
        { ...there, LEVAMEN_DATABASE_URL: 'mysql://somewhere' },
        'LEVAMEN_DATABASE_URL is not an address',
      ],
      [['start'], { ...there, LEVAMEN_MIGRATION_URL: database.url }, 'name one role'],
      [['start'], { ...there, LEVAMEN_MIGRATION_URL: `${database.ownerUrl}2` }, 'name two databases'],
      [['demo'], there, 'keeps its jobs in a database of its own'],
      [['start'], { LEVAMEN_SERVERS: 'many' }, 'is no number of servers'],
      [['backup', join(levamen.state, 'none.tar')], there, 'LEVAMEN_ADMIN_URL does not say'],
      [['work'], {}, 'No database is named'],
    ];
    for (const [args, environment, words] of said) {
      const { code, printed } = await levamen.run(args, environment);
      expect([code, printed]).toEqual([1, expect.stringContaining(words)]);
      expect(printed).toContain('What to do: ');
    }
  });

  it('is shared by servers that come back when they are killed; its jobs move to a machine of one’s own, and back', async () => {
    const running = ended(
      levamen.launch(['start'], { ...there, LEVAMEN_SERVERS: '2', LEVAMEN_BACKUPS: 'off' }),
    );
    const [first, second] = [levamen.port, levamen.port + 1];
    await until(async () => (await answersAt(first)) && (await answersAt(second)));
    await levamen.api('jobs', { document: newJob('Shared') });
    expect(await jobsAt(second)).toEqual(['Shared']);
    process.kill(await levamen.pidOf('server-2'), 'SIGKILL');
    await until(async () => !(await answersAt(second)));
    expect(await jobsAt(first)).toEqual(['Shared']);
    await until(() => answersAt(second));

    const file = join(levamen.state, 'shared.tar');
    const backup = await levamen.run(['backup', file], { ...there, LEVAMEN_ADMIN_URL: adminUrl });
    expect([backup.code, backup.printed]).toEqual([0, expect.stringContaining('1 jobs')]);
    expect((await levamen.run(['stop'], there)).code).toBe(0);
    const { code, printed } = await running;
    expect([code, printed]).toEqual([0, expect.stringContaining('2 servers share the work')]);
    // Nothing of a cluster was made here.
    expect((await readdir(levamen.state)).filter((name) => name.startsWith('pg'))).toEqual([]);

    const home = await levamen.run(['restore', file]);
    expect([home.code, home.printed]).toEqual([0, expect.stringContaining('Restored.')]);
    const alone = ended(levamen.launch(['start']));
    await until(() => answersAt(first));
    expect(await jobsAt(first)).toEqual(['Shared']);
    await levamen.api('jobs', { document: newJob('At home') });
    const back = join(levamen.state, 'back.tar');
    expect((await levamen.run(['backup', back])).code).toBe(0);
    await levamen.run(['stop']);
    await alone;

    const returned = await levamen.run(['restore', back, '--yes'], { ...there, LEVAMEN_ADMIN_URL: adminUrl });
    expect([returned.code, returned.printed]).toEqual([0, expect.stringContaining('2 jobs')]);
    const client = new pg.Client({ connectionString: database.ownerUrl });
    await client.connect();
    const { rows } = await client.query<{ name: string }>('SELECT name FROM job ORDER BY name');
    await client.end();
    expect(rows.map(({ name }) => name)).toEqual(['At home', 'Shared']);
    const administrator = new pg.Client({ connectionString: adminUrl });
    await administrator.connect();
    await administrator.query(
      `DROP DATABASE IF EXISTS "${new URL(database.url).pathname.slice(1)}_before" WITH (FORCE)`,
    );
    await administrator.end();
  });
});
