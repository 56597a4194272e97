import { execFileSync, spawn } from 'node:child_process';
import { createHash, X509Certificate } from 'node:crypto';
import { mkdir, mkdtemp, readdir, readFile, stat, writeFile } from 'node:fs/promises';
import { createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { gunzipSync, gzipSync } from 'node:zlib';
import { demoJobs, newJob } from '@levamen/core/job';
import pg from 'pg';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Commands, ended, isAlive, until } from './testing/command.js';
import { freePort } from './testing/free-port.js';
import { proving, times, writeDown } from './testing/proof.js';

let levamen: Commands;
beforeEach(async () => {
  levamen = await Commands.make();
});
afterEach(() => levamen.close());

/** A program of somebody else's that is not to be touched. */
const bystander = () => spawn('sleep', ['120'], { stdio: 'ignore' });
/** When the first start is interrupted, ms after it began. */
const moments = proving ? [50, 200, 500, 900, 1300, 1800, 2300, 2900, 3600, 4500] : [400, 1800];
const isRoot = process.getuid?.() === 0;
const succeeds = (command: string, args: readonly string[]): boolean => {
  try {
    execFileSync(command, args, { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};

describe('./levamen', () => {
  it('lists its commands, and refuses others', async () => {
    const help = await levamen.run(['help']);
    expect(help.printed).toContain('./levamen demo');
    const other = await levamen.run(['frobnicate']);
    expect([other.code, other.printed]).toEqual([
      1,
      expect.stringContaining('There is no command "frobnicate"'),
    ]);
  });

  it('never ends badly without saying what happened and what to do', async () => {
    const nowhere = await levamen.run(['start'], { LEVAMEN_STATE: '/etc/passwd/levamen' });
    expect(nowhere.code).not.toBe(0);
    expect(nowhere.printed).toMatch(/something failed that was not foreseen: mkdir[\s\S]*What to do: /);
    for (const args of [
      ['backup'],
      ['restore'],
      ['backup', '/nowhere/at/all.tar'],
      ['restore', '/nowhere.tar'],
    ]) {
      const result = await levamen.run(args);
      expect([result.code, result.printed]).toEqual([1, expect.stringContaining('What to do: ')]);
    }
  });

  it('makes an authority once, and certificates of it for the names that are asked for', async () => {
    const wrong = await levamen.run(['certificate']);
    expect([wrong.code, wrong.printed]).toEqual([1, expect.stringContaining('under which names')]);
    const tls = (name: string): Promise<X509Certificate> =>
      readFile(join(levamen.state, 'tls', name)).then((bytes) => new X509Certificate(bytes));
    const first = await levamen.run(['certificate', 'levamen.local', '192.0.2.7']);
    expect([first.code, first.printed]).toEqual([
      0,
      expect.stringContaining('LEVAMEN_HOSTS=levamen.local,192.0.2.7'),
    ]);
    const [authority, server] = [await tls('authority.crt'), await tls('server.crt')];
    expect([authority.ca, server.ca]).toEqual([true, false]);
    expect(server.verify(authority.publicKey)).toBe(true);
    expect([
      server.checkHost('levamen.local'),
      server.checkIP('192.0.2.7'),
      server.checkHost('other.local'),
    ]).toEqual(['levamen.local', '192.0.2.7', undefined]);
    const days = (Date.parse(server.validTo) - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(390);
    expect(days).toBeLessThanOrEqual(398);
    const { mode } = await stat(join(levamen.state, 'tls', 'authority.key'));
    expect(mode & 0o077).toBe(0);
    await levamen.run(['certificate', 'other.local']);
    const again = await tls('server.crt');
    expect(again.checkHost('other.local')).toBe('other.local');
    expect(again.verify(authority.publicKey)).toBe(true);
  });

  it('says what to do about a port that is wrong or in use', async () => {
    const wrong = await levamen.run(['start'], { LEVAMEN_PORT: 'http' });
    expect([wrong.code, wrong.printed]).toEqual([1, expect.stringContaining('is not a port')]);
    const other = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => other.once('listening', resolve));
    const { port } = other.address() as AddressInfo;
    const inUse = await levamen.run(['start'], { LEVAMEN_PORT: String(port) });
    other.close();
    expect(inUse.code).toBe(1);
    expect(inUse.printed).toContain(`LEVAMEN_PORT=${port + 1} ./levamen start`);
  });

  it('says what to do about an incomplete data directory, and touches nothing in it', async () => {
    await mkdir(join(levamen.state, 'pg/data'), { recursive: true });
    await writeFile(join(levamen.state, 'pg/data/leftover'), 'precious');
    // Whoever may not enter the folder keeps its cluster elsewhere, and says so.
    const result = await levamen.run(['start'], { LEVAMEN_DATABASE_AS: '' });
    expect(result.code).toBe(1);
    expect(result.printed).toMatch(/is damaged or incomplete|may not enter/);
    expect(result.printed).toMatch(/restore FILE|nothing in it is lost/);
    expect(await readFile(join(levamen.state, 'pg/data/leftover'), 'utf8')).toBe('precious');
  });
});

describe('the running program', () => {
  it('starts with demo jobs, says which and where, keeps its database to itself, and stops cleanly', async () => {
    const gateway = await freePort();
    const ports = { LEVAMEN_GATEWAY_HTTP: String(gateway), LEVAMEN_GATEWAY_MODBUS: String(await freePort()) };
    const first = ended(levamen.launch(['demo'], ports));
    await until(() => levamen.healthy());
    expect(await levamen.api('jobs')).toMatchObject({ total: 3 });
    expect(await levamen.api('health')).toMatchObject({ jobs: 'demo' });
    const page = await fetch(`${levamen.url}/jobs`);
    expect([page.status, page.headers.get('content-type')]).toEqual([200, 'text/html; charset=utf-8']);

    // The passwords are for nobody else to read, and there is no way in without one.
    const cluster = await levamen.cluster();
    for (const file of ['password', 'password-levamen_app', 'password-levamen_owner'])
      expect((await stat(join(cluster, file))).mode & 0o777).toBe(0o600);
    const database = { host: '127.0.0.1', port: Number(await readFile(join(cluster, 'port'), 'utf8')) };
    const intruder = new pg.Client({ ...database, user: 'levamen', password: 'guess', database: 'postgres' });
    await expect(intruder.connect()).rejects.toThrow('password authentication failed');
    const password = await readFile(join(cluster, 'password-levamen_app'), 'utf8');
    const client = new pg.Client({ ...database, user: 'levamen_app', password, database: 'levamen_demo' });
    await client.connect();
    expect((await client.query('SHOW data_checksums')).rows).toEqual([{ data_checksums: 'on' }]);
    await client.end();

    // Beside it a system that can be commissioned.
    const system = (): Promise<unknown> =>
      fetch(`http://127.0.0.1:${gateway}/now`)
        .then((answer) => answer.json())
        .catch(() => null);
    await until(async () => (await system()) !== null);
    expect(await system()).toMatchObject({ state: 'grid', isGridThere: true });

    // A second start finds the first one, and another database is not opened without a word.
    const second = await levamen.run(['demo']);
    expect([second.code, second.printed]).toEqual([0, expect.stringContaining('runs already')]);
    const other = await levamen.run(['start']);
    expect([other.code, other.printed]).toEqual([
      1,
      expect.stringContaining('another database: the demo jobs'),
    ]);

    const stopped = await levamen.run(['stop']);
    expect([stopped.code, await levamen.healthy(), await system()]).toEqual([0, false, null]);
    const { code, printed } = await first;
    expect([code, printed]).toEqual([0, expect.stringContaining('It shows the demo jobs')]);
    expect(printed).toContain('Levamen has stopped.');
  });

  it('comes back by itself when the server or the database is killed, and keeps what was saved', async () => {
    const launcher = levamen.launch(['start']);
    const result = ended(launcher);
    await until(() => levamen.healthy());
    const { id } = (await levamen.api('jobs', { document: newJob('Survivor') })) as { id: string };
    for (const victim of [await levamen.serverPid(), await levamen.postmasterPid()]) {
      process.kill(victim, 'SIGKILL');
      await until(() => !isAlive(victim));
      await until(async () => (await levamen.healthy()) && isAlive(await levamen.postmasterPid()));
      expect(await levamen.api(`jobs/${id}`)).toMatchObject({ document: { name: 'Survivor' } });
    }
    launcher.kill('SIGINT');
    const { code, printed } = await result;
    expect(code).toBe(0);
    expect(printed).toContain('The server has ended by itself');
    expect(printed).toContain('The database has ended by itself');
  });

  it('makes a backup by itself, reads it back, takes it away, and tells; what it keeps leaves as open files', async () => {
    const far = join(levamen.state, 'far away');
    await mkdir(far);
    const result = ended(levamen.launch(['start'], { LEVAMEN_BACKUP_SEND: `cp -t '${far}'` }));
    await until(() => levamen.healthy());
    await levamen.api('jobs', { document: newJob('Kept twice') });
    expect(await levamen.api('backups')).toMatchObject({ isScheduled: true, last: null, warning: '' });
    // As if it had been set up two days ago; its keeper looks anew when it is started again.
    const cluster = await levamen.cluster();
    const owner = new pg.Client({
      host: '127.0.0.1',
      port: Number(await readFile(join(cluster, 'port'), 'utf8')),
      user: 'levamen_owner',
      password: await readFile(join(cluster, 'password-levamen_owner'), 'utf8'),
      database: 'levamen',
    });
    await owner.connect();
    await owner.query("UPDATE workspace SET created_at = now() - interval '2 days'");
    await owner.end();
    expect(await levamen.api('backups')).toMatchObject({ warning: 'There is no good backup of these jobs.' });
    // It is started once the program answers.
    await until(() => levamen.pidOf('backups').then(isAlive, () => false));
    const keeper = await levamen.pidOf('backups');
    process.kill(keeper, 'SIGKILL');
    const tars = async (folder: string): Promise<string[]> =>
      (await readdir(folder).catch((): string[] => [])).filter((name) => name.endsWith('Z.tar'));
    await until(async () => (await tars(far)).length === 1);
    await until(async () => ((await levamen.api('backups')) as { last: unknown }).last !== null);
    expect(await levamen.api('backups')).toMatchObject({ last: { isGood: true, isSent: true }, warning: '' });
    expect(await tars(join(levamen.state, 'backups'))).toEqual(await tars(far));

    const folder = join(levamen.state, 'open files');
    const exported = await levamen.run(['export', folder]);
    expect([exported.code, exported.printed]).toEqual([0, expect.stringContaining('Written: 1 jobs, ')]);
    expect((await levamen.run(['export', folder])).printed).toContain('is not empty');
    await levamen.run(['stop']);
    expect((await result).code).toBe(0);
    expect(isAlive(keeper)).toBe(false);
  });

  it('started twice at once runs once: the loser says so and stops nothing', async () => {
    for (let round = 0; round < times(1, 5); round += 1) await startTwice();
    writeDown('two-starts', { 'starts in pairs at once': times(1, 5), 'both ended well': times(1, 5) });
  }, 300_000);

  async function startTwice(): Promise<void> {
    const both = [levamen.launch(['start']), levamen.launch(['start'])].map(ended);
    const loser = await Promise.race(both);
    expect([loser.code, loser.printed]).toEqual([0, expect.stringContaining('runs already')]);
    expect(await levamen.healthy()).toBe(true);
    await levamen.api('jobs', { document: newJob('Still here') });
    await levamen.run(['stop']);
    expect((await Promise.all(both)).map(({ code }) => code)).toEqual([0, 0]);
  }

  it('takes over from a launcher that was killed', async () => {
    const killed = levamen.launch(['start']);
    await until(() => levamen.healthy());
    const orphan = await levamen.serverPid();
    killed.kill('SIGKILL');
    await new Promise((resolve) => killed.once('exit', resolve));
    const next = levamen.launch(['start']);
    const result = ended(next);
    await until(
      async () => (await levamen.serverPid().catch(() => orphan)) !== orphan && (await levamen.healthy()),
    );
    expect(isAlive(orphan)).toBe(false);
    next.kill('SIGINT');
    expect((await result).printed).toContain('an earlier launcher left behind');
  });

  it('leaves alone a program that got the id of one of its own', async () => {
    const innocent = bystander();
    try {
      await mkdir(join(levamen.state, 'run'), { recursive: true });
      for (const name of ['launcher', 'server'])
        await writeFile(
          join(levamen.state, `run/${name}.pid`),
          name === 'server' ? `${innocent.pid} 1` : `${innocent.pid}`,
        );
      expect((await levamen.run(['stop'])).code).toBe(0);
      expect(isAlive(innocent.pid!)).toBe(true);

      // The same with the id in PostgreSQL's own file.
      const first = levamen.launch(['start']);
      await until(() => levamen.healthy());
      first.kill('SIGINT');
      await ended(first);
      const file = join(await levamen.cluster(), 'data/postmaster.pid');
      await writeFile(
        file,
        `${innocent.pid}\n${join(await levamen.cluster(), 'data')}\n1\n1\n\n127.0.0.1\n  1 1\nready\n`,
      );
      if (isRoot) execFileSync('chown', ['--reference', join(await levamen.cluster(), 'data'), file]);
      const second = levamen.launch(['start']);
      await until(() => levamen.healthy());
      second.kill('SIGINT');
      await ended(second);
      expect(isAlive(innocent.pid!)).toBe(true);
    } finally {
      innocent.kill();
    }
  });

  it.each(moments)('interrupted after %i ms of its first start, starts the next time', async (ms) => {
    const child = levamen.launch(['start']);
    const result = ended(child);
    await new Promise((resolve) => setTimeout(resolve, ms));
    // Ctrl-C goes to everything the terminal started.
    process.kill(-child.pid!, 'SIGINT');
    await result;
    const next = levamen.launch(['start']);
    await until(() => levamen.healthy());
    next.kill('SIGINT');
    expect((await ended(next)).code).toBe(0);
  });

  it.runIf(isRoot && succeeds('id', ['-u', 'postgres']))(
    'runs under the account of the package where there are no user namespaces, in a folder it may enter',
    async () => {
      const child = levamen.launch(['start'], { LEVAMEN_DATABASE_AS: 'account' });
      await until(() => levamen.healthy());
      expect(await levamen.cluster()).toMatch(/^\/var\/lib\/levamen\//);
      child.kill('SIGINT');
      expect((await ended(child)).code).toBe(0);
      await levamen.run(['stop'], { LEVAMEN_DATABASE_AS: 'account' });
    },
  );

  it.runIf(isRoot)('calls a full disk a full disk, and the data whole', async ({ skip }) => {
    if (!succeeds('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'tmpfs', levamen.state])) skip();
    const build = await Commands.make();
    execFileSync('cp', ['-r', join(build.state, 'stamps'), levamen.state]);
    await build.close();
    execFileSync('chmod', ['755', levamen.state]);
    const first = levamen.launch(['start']);
    await until(() => levamen.healthy());
    const { id } = (await levamen.api('jobs', { document: newJob('Before') })) as { id: string };
    succeeds('dd', ['if=/dev/zero', `of=${join(levamen.state, 'filler')}`, 'bs=1M', 'count=200']);
    // While it runs: what asks for room is refused in words, everything can still be read.
    const save = async (): Promise<{ status: number; body: { detail?: string } }> => {
      const document = demoJobs[0]!.job;
      const answer = await fetch(`${levamen.url}/api/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ document }),
      });
      return { status: answer.status, body: (await answer.json()) as { detail?: string } };
    };
    let refused = await save();
    for (let round = 0; refused.status === 201 && round < 2000; round += 1) refused = await save();
    expect([refused.status, refused.body.detail]).toEqual([507, expect.stringContaining('is full')]);
    expect(await levamen.api(`jobs/${id}`)).toMatchObject({ document: { name: 'Before' } });
    // A server that is killed meanwhile comes back, though nobody can take a note of it.
    const killed = await levamen.serverPid();
    process.kill(killed, 'SIGKILL');
    await until(() => !isAlive(killed));
    await until(() => levamen.healthy());
    expect(await levamen.api(`jobs/${id}`)).toMatchObject({ document: { name: 'Before' } });
    execFileSync('rm', [join(levamen.state, 'filler')]);
    await until(async () => (await save()).status === 201);
    first.kill('SIGINT');
    await ended(first);
    succeeds('dd', ['if=/dev/zero', `of=${join(levamen.state, 'filler')}`, 'bs=1M', 'count=200']);
    const full = await levamen.run(['start']);
    expect(full.code).toBe(1);
    expect(full.printed).toContain('is full');
    expect(full.printed).toContain('do not move or delete');
    execFileSync('rm', [join(levamen.state, 'filler')]);
    const again = levamen.launch(['start']);
    await until(() => levamen.healthy());
    again.kill('SIGINT');
    await ended(again);
  });
});

/** A backup as a PostgreSQL of the future would have written it, with a setting of its own at the head of the script. */
async function asOfNewerPostgres(file: string, setting: string): Promise<string> {
  const folder = await mkdtemp(join(levamen.state, 'newer-'));
  execFileSync('tar', ['--extract', '--file', file], { cwd: folder });
  const manifest = JSON.parse(await readFile(join(folder, 'manifest.json'), 'utf8')) as {
    postgres: string;
    databases: { levamen: { file: string; sha256: string } };
  };
  const { levamen: own } = manifest.databases;
  const script = gunzipSync(await readFile(join(folder, own.file))).toString('latin1');
  const changed = gzipSync(Buffer.from(script.replace('SET lock_timeout = 0;', `$&\n${setting}`), 'latin1'));
  await writeFile(join(folder, own.file), changed);
  own.sha256 = createHash('sha256').update(changed).digest('hex');
  await writeFile(join(folder, 'manifest.json'), JSON.stringify({ ...manifest, postgres: '99.1' }));
  const whole = `${folder}.tar`;
  execFileSync('tar', ['--create', '--file', whole, 'manifest.json', own.file], { cwd: folder });
  return whole;
}

describe('backup and restore', () => {
  const names = async (): Promise<string[]> =>
    ((await levamen.api('jobs?sort=name&order=up')) as { rows: { name: string }[] }).rows.map(
      ({ name }) => name,
    );

  it('bring everything back as it was, while others go on saving', async () => {
    const child = levamen.launch(['start']);
    await until(() => levamen.healthy());
    await levamen.api('jobs', { document: newJob('Before') });
    let count = 0;
    const writing = setInterval(
      () => void levamen.api('jobs', { document: newJob(`While ${(count += 1)}`) }),
      20,
    );
    const file = join(levamen.state, 'a backup.tar');
    const made = await levamen.run(['backup', file]);
    clearInterval(writing);
    expect([made.code, made.printed]).toEqual([0, expect.stringContaining('read back and compared')]);
    expect(count).toBeGreaterThan(5);
    expect((await levamen.run(['backup', file])).printed).toContain('never overwritten');
    expect((await levamen.run(['restore', file, '--yes'])).printed).toContain('Stop it first');
    await levamen.api('jobs', { document: newJob('After') });
    child.kill('SIGINT');
    await ended(child);

    const unasked = await levamen.run(['restore', file]);
    expect([unasked.code, unasked.printed]).toEqual([1, expect.stringContaining('add --yes')]);
    const restored = await levamen.run(['restore', file, '--yes']);
    expect([restored.code, restored.printed]).toEqual([0, expect.stringContaining('Restored.')]);
    const next = levamen.launch(['start']);
    await until(() => levamen.healthy());
    const there = await names();
    expect(there).toContain('Before');
    expect(there).not.toContain('After');
    await levamen.api('jobs', { document: newJob('Goes on') });
    expect(await names()).toContain('Goes on');
    next.kill('SIGINT');
    await ended(next);
  });

  it('refuse what is no backup, or is damaged, and replace nothing', async () => {
    const child = levamen.launch(['start']);
    await until(() => levamen.healthy());
    await levamen.api('jobs', { document: newJob('Stays') });
    const file = join(levamen.state, 'backup.tar');
    await levamen.run(['backup', file]);
    child.kill('SIGINT');
    await ended(child);
    const noise = join(levamen.state, 'noise.tar');
    await writeFile(noise, 'noise');
    expect((await levamen.run(['restore', noise, '--yes'])).printed).toContain('is not a backup of Levamen');
    const bytes = await readFile(file);
    // A few bytes into the first script.
    bytes[bytes.indexOf(Buffer.from([0x1f, 0x8b])) + 200]! ^= 0xff;
    const damaged = join(levamen.state, 'damaged.tar');
    await writeFile(damaged, bytes);
    const result = await levamen.run(['restore', damaged, '--yes']);
    expect([result.code, result.printed]).toEqual([1, expect.stringContaining('Nothing was replaced')]);
    const newer = await levamen.run([
      'restore',
      await asOfNewerPostgres(file, 'SET of_tomorrow = 0;'),
      '--yes',
    ]);
    expect([newer.code, newer.printed]).toEqual([
      1,
      expect.stringContaining('PostgreSQL 99.1 wrote this backup'),
    ]);
    expect(newer.printed).toContain('Nothing was replaced');
    // A setting that is known to be new there is left out, and all rows are compared.
    const settings = await asOfNewerPostgres(file, 'SET transaction_timeout = 0;');
    expect((await levamen.run(['restore', settings, '--yes'])).printed).toContain('Restored.');
    const next = levamen.launch(['start']);
    await until(() => levamen.healthy());
    expect(await names()).toEqual(['Stays']);
    next.kill('SIGINT');
    await ended(next);
  });
});
