// Everything the database keeps, into one tar file and back: ./levamen backup FILE, ./levamen restore FILE.
// The file holds manifest.json and one SQL script a database, gzipped: any PostgreSQL of at least the version that wrote it reads them. An older one
// may: whatever it reads is compared with what was written down.
import { spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import path from 'node:path';
import readline from 'node:readline/promises';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import pg from 'pg';

const { LEVAMEN_PG_BIN: bin, LEVAMEN_ADMIN_URL: adminUrl, LEVAMEN_OWNER_URL: ownerUrl } = process.env;
const [, , what, file, sure] = process.argv;
const own = process.env.LEVAMEN_OWN_DATABASE ?? 'levamen';
/** What a backup holds, by the names it calls them; the own one may have another name where it is kept. */
const databases = ['levamen', 'levamen_demo'];
const nameOf = (database) => (database === 'levamen' ? own : database);
const owner = decodeURIComponent(new URL(ownerUrl).username);

/** What stops the work, in words for whoever is at the terminal. */
class Stop extends Error {}

const at = (url, database) => Object.assign(new URL(url), { pathname: `/${database}` }).href;

const withClient = async (database, work) => {
  const client = new pg.Client({ connectionString: at(adminUrl, database) });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
};

const exists = (client, name) =>
  client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]).then(({ rowCount }) => rowCount === 1);

/** A program of PostgreSQL's; the password travels in its environment. */
const program = (name, url, database, args, stdio) => {
  const { username, password, hostname, port } = new URL(url);
  const child = spawn(
    path.join(bin, name),
    ['-h', hostname, '-p', port, '-U', username, '-d', database, ...args],
    {
      env: { ...process.env, PGPASSWORD: decodeURIComponent(password) },
      stdio,
    },
  );
  let said = '';
  child.stderr.on('data', (data) => {
    said = `${said}${data}`.slice(-2000);
  });
  const ended = once(child, 'close').then(([code]) => {
    if (code !== 0) throw new Stop(`${name} answered: ${said.trim()}`);
  });
  return { child, ended };
};

/** Rows of each table and a digest of them all, whatever their order; tables of the moment keep nothing. */
const contentsOf = async (client) => {
  const { rows: tables } = await client.query(
    "SELECT c.relname AS name FROM pg_class c WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND c.relpersistence = 'p' ORDER BY 1",
  );
  const contents = {};
  for (const { name } of tables) {
    const { rows } = await client.query(
      `SELECT count(*)::int AS rows, coalesce(md5(string_agg(d, '' ORDER BY d)), '') AS digest
       FROM (SELECT md5(t::text) AS d FROM ${client.escapeIdentifier(name)} t) digests`,
    );
    contents[name] = rows[0];
  }
  return contents;
};

const digestOf = async (name) => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(name), hash);
  return hash.digest('hex');
};

/** Everything the script of one database holds, in one consistent state of it, while others go on writing. */
const dump = (database, script) =>
  withClient(database, async (client) => {
    await client.query("SET TimeZone = 'UTC'");
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ, READ ONLY');
    const { rows } = await client.query('SELECT pg_export_snapshot() AS id');
    const { child, ended } = program(
      'pg_dump',
      adminUrl,
      database,
      ['--no-owner', '--no-privileges', '--no-unlogged-table-data', `--snapshot=${rows[0].id}`],
      ['ignore', 'pipe', 'pipe'],
    );
    await Promise.all([
      pipeline(child.stdout, createGzip(), createWriteStream(script, { mode: 0o600 })),
      ended,
    ]);
    return contentsOf(client);
  });

/** Leaves out what a newer PostgreSQL sets at the head of a script (to what it is anyway) and an older one does not know. */
const withoutNewSettings = () => {
  let isHead = true;
  return new Transform({
    transform(chunk, _, done) {
      const head = () =>
        Buffer.from(chunk.toString('latin1').replace(/^SET transaction_timeout = 0;$/m, ''), 'latin1');
      done(null, isHead ? head() : chunk);
      isHead = false;
    },
  });
};

/** Runs the script in a database that was made for it, as the role that owns the tables. */
const load = async (database, script) => {
  const { child, ended } = program(
    'psql',
    ownerUrl,
    database,
    ['-qX', '-v', 'ON_ERROR_STOP=1', '-o', '/dev/null'],
    ['pipe', 'ignore', 'pipe'],
  );
  const unpack = createGunzip();
  await Promise.all([
    pipeline(createReadStream(script), unpack, withoutNewSettings(), child.stdin).catch(() => undefined),
    ended,
  ]);
};

const scratchName = (purpose) => `levamen_${purpose}_${randomBytes(4).toString('hex')}`;

/** A new database that holds what the script holds; it is compared with what was written down, or it does not stay. */
const loadAndCompare = async (script, contents, purpose) => {
  const name = scratchName(purpose);
  await withClient('postgres', async (client) => {
    await client.query(`CREATE DATABASE ${name} OWNER ${pg.escapeIdentifier(owner)} TEMPLATE template0`);
  });
  try {
    await withClient(name, (client) =>
      client.query(`ALTER SCHEMA public OWNER TO ${pg.escapeIdentifier(owner)}`),
    );
    await load(name, script);
    const found = await withClient(name, async (client) => {
      await client.query("SET TimeZone = 'UTC'");
      return contentsOf(client);
    });
    for (const [table, { rows, digest }] of Object.entries(contents)) {
      if (found[table]?.rows !== rows || found[table]?.digest !== digest)
        throw new Stop(
          `The table ${table} does not come back as it was (${found[table]?.rows ?? 0} of ${rows} rows).`,
        );
    }
    return name;
  } catch (error) {
    await withClient('postgres', (client) => client.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`));
    throw error;
  }
};

const run = async (command, args, cwd) => {
  const child = spawn(command, args, { cwd, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  let printed = '';
  child.stderr.on('data', (data) => (said += data));
  child.stdout.on('data', (data) => (printed += data));
  const [code] = await once(child, 'close');
  if (code !== 0) throw new Stop(`${command} answered: ${said.trim()}`);
  return printed;
};

const howMany = (contents) =>
  `${contents.job?.rows ?? 0} jobs, ${contents.job_revision?.rows ?? 0} revisions`;

const postgresVersion = () =>
  withClient(
    'postgres',
    async (client) => (await client.query('SHOW server_version')).rows[0].server_version,
  );

/** What is to be said where a script that a newer PostgreSQL wrote does not come back as it was. */
const ofNewer = (error, wrote, reads) =>
  parseInt(wrote, 10) > parseInt(reads, 10)
    ? new Stop(
        `${error.message}\nPostgreSQL ${wrote} wrote this backup, and an older one (${reads}) need not be able to read it: restore it where version ${parseInt(wrote, 10)} or a later one runs.`,
      )
    : error;

async function backup() {
  const folder = await mkdtemp(path.join(path.dirname(file), '.levamen-backup-'));
  try {
    const manifest = {
      format: 'levamen-backup',
      version: 1,
      madeAt: new Date().toISOString(),
      postgres: await postgresVersion(),
      databases: {},
    };
    for (const database of databases) {
      if (!(await withClient('postgres', (client) => exists(client, nameOf(database))))) continue;
      const name = `${database}.sql.gz`;
      const contents = await dump(nameOf(database), path.join(folder, name));
      const scratch = await loadAndCompare(path.join(folder, name), contents, 'scratch');
      await withClient('postgres', (client) => client.query(`DROP DATABASE ${scratch} WITH (FORCE)`));
      manifest.databases[database] = {
        file: name,
        sha256: await digestOf(path.join(folder, name)),
        contents,
      };
      console.log(`  ${database}: ${howMany(contents)}; read back and compared`);
    }
    const names = Object.values(manifest.databases).map((one) => one.file);
    if (names.length === 0) throw new Stop('There is no database to write down yet. Start the program once.');
    await writeFile(path.join(folder, 'manifest.json'), `${JSON.stringify(manifest, null, 2)}\n`);
    await run('tar', ['--create', '--file', 'whole.tar', 'manifest.json', ...names], folder);
    await rename(path.join(folder, 'whole.tar'), file);
    console.log(`Backup written: ${file} (${((await stat(file)).size / 1e6).toFixed(1)} MB)`);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

const agreed = async (question) => {
  if (sure === '--yes') return true;
  if (!process.stdin.isTTY)
    throw new Stop('This replaces data and nobody is there to ask; add --yes if that is meant.');
  const ask = readline.createInterface({ input: process.stdin, output: process.stdout });
  const answer = await ask.question(`${question} Type yes: `);
  ask.close();
  return answer.trim().toLowerCase() === 'yes';
};

async function restore() {
  const folder = await mkdtemp(path.join(process.env.LEVAMEN_SCRATCH, 'restore-'));
  const ready = [];
  try {
    await run('tar', ['--extract', '--no-same-owner', '--file', file, 'manifest.json'], folder).catch(() => {
      throw new Stop(`${file} is not a backup of Levamen: it holds no manifest.json.`);
    });
    const manifest = JSON.parse(await readFile(path.join(folder, 'manifest.json'), 'utf8'));
    if (manifest.format !== 'levamen-backup' || manifest.version !== 1)
      throw new Stop(
        `${file} is not a backup this Levamen can read (format ${manifest.format}, version ${manifest.version}).`,
      );
    const reads = await postgresVersion();
    const found = Object.entries(manifest.databases).filter(([database]) => databases.includes(database));
    for (const [database, { sha256, contents }] of found) {
      const name = `${database}.sql.gz`;
      await run('tar', ['--extract', '--no-same-owner', '--file', file, name], folder);
      const script = path.join(folder, name);
      if ((await digestOf(script)) !== sha256) throw new Stop(`${name} in ${file} is damaged.`);
      const loaded = await loadAndCompare(script, contents, 'restoring').catch((error) => {
        throw ofNewer(error, manifest.postgres, reads);
      });
      ready.push({ database, contents, loaded });
      console.log(`  ${database}: ${howMany(contents)} of ${manifest.madeAt}; read and compared`);
    }
    await withClient('postgres', async (client) => {
      const there = [];
      for (const { database } of ready) {
        if (!(await exists(client, nameOf(database)))) continue;
        const jobs = await withClient(nameOf(database), (c) =>
          c
            .query("SELECT to_regclass('public.job') AS t")
            .then(async ({ rows }) =>
              rows[0].t === null ? 0 : (await c.query('SELECT count(*)::int AS n FROM job')).rows[0].n,
            ),
        );
        there.push(`${nameOf(database)} (${jobs} jobs)`);
      }
      if (there.length > 0 && !(await agreed(`This replaces ${there.join(' and ')}.`)))
        throw new Stop('You did not agree.');
      for (const one of ready) {
        const name = nameOf(one.database);
        const [there, before] = [name, `${name}_before`].map((each) => pg.escapeIdentifier(each));
        if (await exists(client, name)) {
          // What was there is kept once, under another name.
          await client.query(`DROP DATABASE IF EXISTS ${before} WITH (FORCE)`);
          await client.query(`ALTER DATABASE ${there} RENAME TO ${before}`);
        }
        await client.query(`ALTER DATABASE ${one.loaded} RENAME TO ${there}`);
        one.loaded = null;
      }
      console.log(
        there.length > 0
          ? 'Restored. What was there before is kept in the database cluster under the same name with "_before", until the next restore.'
          : 'Restored.',
      );
    });
  } finally {
    for (const { loaded } of ready) {
      if (loaded)
        await withClient('postgres', (client) =>
          client.query(`DROP DATABASE IF EXISTS ${loaded} WITH (FORCE)`),
        );
    }
    await rm(folder, { recursive: true, force: true });
  }
}

try {
  await (what === 'backup' ? backup() : restore());
} catch (error) {
  console.error(error instanceof Stop ? error.message : error);
  process.exitCode = 1;
}
