// A company at work for a while: 200 requests a second, reads and saves mixed, over 10,000 jobs. Requests are sent when their time has come, whether
// those before are answered or not, and count from then on.
//   node scripts/steady-load.mjs URL[,URL] MINUTES [FILE]
import { writeFileSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { cpus } from 'node:os';
import { demoJobs } from './core.mjs';
import { percentile } from './prove-load.mjs';

const perSecond = Number(process.env.LOAD_PER_SECOND ?? 200);
const jobsWanted = 10_000;
/** Jobs that are being edited; each is saved by one page at a time. */
const edited = 300;
/** Of 20 requests. */
const mix = [
  ...Array.from({ length: 6 }, () => 'save'),
  ...Array.from({ length: 8 }, () => 'open'),
  ...Array.from({ length: 3 }, () => 'list'),
  ...Array.from({ length: 2 }, () => 'revisions'),
  'equipment',
];

const [, , urls = 'http://127.0.0.1:4780', minutesText = '1', file = ''] = process.argv;
const servers = urls.split(',');
const minutes = Number(minutesText);
const agent = new Agent({ keepAlive: true, maxSockets: 64 });

/** Asks, and reads the answer to its end; parsed only where somebody wants it. */
const ask = (server, method, path, body, wanted = false) =>
  new Promise((resolve, reject) => {
    const payload = body === undefined ? undefined : JSON.stringify(body);
    const asked = request(
      `${server}${path}`,
      {
        agent,
        method,
        headers:
          payload === undefined
            ? {}
            : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(payload) },
      },
      (answer) => {
        const parts = [];
        answer.on('data', (part) => wanted && parts.push(part));
        answer.on('end', () =>
          resolve({
            status: answer.statusCode,
            body: wanted ? JSON.parse(Buffer.concat(parts).toString()) : null,
          }),
        );
        answer.on('error', reject);
      },
    );
    asked.on('error', reject);
    asked.end(payload);
  });

const any = (list) => list[Math.floor(Math.random() * list.length)];

async function prepare() {
  const ids = [];
  const document = demoJobs.toSorted((a, b) => b.job.loads.length - a.job.loads.length)[0].job;
  for (let page = 1; ; page += 1) {
    const { body } = await ask(servers[0], 'GET', `/api/jobs?page=${page}`, undefined, true);
    ids.push(...body.rows.filter(({ name }) => name.startsWith('Load ')).map(({ id }) => id));
    if (body.rows.length === 0 || page > 2000) break;
  }
  const begun = performance.now();
  while (ids.length < jobsWanted) {
    const made = await Promise.all(
      Array.from({ length: 20 }, (_, index) =>
        ask(
          servers[index % servers.length],
          'POST',
          '/api/jobs',
          { document: { ...document, name: `Load ${ids.length + index}` } },
          true,
        ),
      ),
    );
    ids.push(...made.map(({ body }) => body.id));
  }
  console.log(`${ids.length} jobs after ${Math.round((performance.now() - begun) / 1000)} s`);
  return { ids, document };
}

const { ids, document } = await prepare();
const pages = ids.slice(0, edited).map((id) => ({ id, revision: 0, isBusy: false }));
for (const page of pages)
  page.revision = (await ask(servers[0], 'GET', `/api/jobs/${page.id}`, undefined, true)).body.revision;

const searches = ['', '', '', 'Load 7', 'harbour', '99'];
const sorts = ['changed', 'name', 'place', 'due'];
const wrong = new Map();
const tally = (what) => wrong.set(what, (wrong.get(what) ?? 0) + 1);
let sent = 0;
let skipped = 0;

const requests = {
  save: async (server) => {
    const page = any(pages.filter(({ isBusy }) => !isBusy));
    if (!page) return void (skipped += 1);
    page.isBusy = true;
    try {
      const at = page.revision % document.loads.length;
      const { status, body } = await ask(
        server,
        'PUT',
        `/api/jobs/${page.id}`,
        {
          baseRevision: page.revision,
          saveId: crypto.randomUUID(),
          patch: [{ op: 'replace', path: `/loads/${at}/runningPowerW`, value: 50 + (page.revision % 900) }],
        },
        true,
      );
      if (status === 200) page.revision = body.revision;
      else tally(`save ${status}`);
    } finally {
      page.isBusy = false;
    }
  },
  open: async (server) => check('open', await ask(server, 'GET', `/api/jobs/${any(ids)}`)),
  list: async (server) =>
    check(
      'list',
      await ask(
        server,
        'GET',
        `/api/jobs?search=${encodeURIComponent(any(searches))}&sort=${any(sorts)}&page=${1 + Math.floor(Math.random() * 5)}`,
      ),
    ),
  revisions: async (server) =>
    check('revisions', await ask(server, 'GET', `/api/jobs/${any(pages).id}/revisions`)),
  equipment: async (server) => check('equipment', await ask(server, 'GET', '/api/equipment')),
};
const check = (what, { status }) => {
  if (status !== 200) tally(`${what} ${status}`);
};

/** What a server takes of memory, MB: resident, and of the heap. */
const memoryOf = async (server) => {
  const text = await new Promise((resolve, reject) => {
    request(`${server}/metrics`, { agent }, (answer) => {
      let said = '';
      answer.on('data', (part) => (said += part));
      answer.on('end', () => resolve(said));
    })
      .on('error', reject)
      .end();
  });
  const figure = (name) => Number(new RegExp(`^${name} (\\S+)`, 'm').exec(text)?.[1] ?? NaN) / 1e6;
  return [figure('process_resident_memory_bytes'), figure('nodejs_heap_size_used_bytes')];
};

const all = [];
const byKind = new Map();
const rows = [];
let window = [];
const memory = async () => Promise.all(servers.map(memoryOf));
const first = await memory();
const begin = performance.now();
const end = begin + minutes * 60_000;
let next = begin;
let minute = 0;
/** The longest time this script itself did not come to run, ms: what stands still then is the machine, or this. */
let stoodStill = 0;
let ranAt = begin;

while (next < end) {
  const now = performance.now();
  stoodStill = Math.max(stoodStill, now - ranAt);
  ranAt = now;
  for (; next <= now && next < end; next += 1000 / perSecond) {
    const at = next;
    const kind = mix[sent % mix.length];
    const server = servers[sent % servers.length];
    sent += 1;
    requests[kind](server)
      .catch((error) => tally(`${kind} ${error.code ?? error.message}`))
      .finally(() => {
        const took = performance.now() - at;
        window.push(took);
        const known = byKind.get(kind) ?? [];
        known.push(took);
        byKind.set(kind, known);
      });
  }
  if ((now - begin) / 60_000 >= minute + 1) {
    minute += 1;
    const took = window;
    window = [];
    all.push(...took);
    const [p50, p95, p99] = [0.5, 0.95, 0.99].map((share) => percentile(took, share));
    const row = { minute, p95, used: first };
    rows.push(row);
    // Requests go out meanwhile.
    memory().then((used) => {
      row.used = used;
      console.log(
        `${row.minute} min: ${took.length} answered, p50 ${p50.toFixed(1)}, p95 ${p95.toFixed(1)}, p99 ${p99.toFixed(1)} ms; memory ${used.map((one) => one.map((mb) => mb.toFixed(0)).join('/')).join(' ')} MB`,
      );
    }, console.error);
  }
  await new Promise((resolve) => setTimeout(resolve, 2));
}
await new Promise((resolve) => setTimeout(resolve, 1000));
all.push(...window);
const last = await memory();
const halfway = rows[Math.floor(rows.length / 2)]?.used ?? first;
const facts = {
  'requests a second': perSecond,
  minutes,
  jobs: ids.length,
  'job, kB': Math.round(JSON.stringify(document).length / 1000),
  servers: servers.length,
  cores: `${cpus().length}, shared by servers, database and whoever asks`,
  requests: sent,
  'median ms': percentile(all, 0.5).toFixed(1),
  'p95 ms': percentile(all, 0.95).toFixed(1),
  'p99 ms': percentile(all, 0.99).toFixed(1),
  'first minute, slowest minute: p95 ms': [rows[0]?.p95 ?? 0, Math.max(0, ...rows.map(({ p95 }) => p95))]
    .map((ms) => ms.toFixed(1))
    .join(', '),
  ...Object.fromEntries(
    [...byKind].map(([kind, took]) => [
      `${kind}: p50, p95 ms`,
      `${percentile(took, 0.5).toFixed(1)}, ${percentile(took, 0.95).toFixed(1)}`,
    ]),
  ),
  'this script stood still, at most ms': stoodStill.toFixed(0),
  'not answered as wanted': [...wrong].map(([what, count]) => `${what}: ${count}`).join(', ') || 0,
  'saves left out, every page was saving': skipped,
  'memory of each server at the begin, in the middle, at the end, MB (resident/heap)': servers
    .map((_, index) =>
      [first, halfway, last].map((one) => one[index].map((mb) => mb.toFixed(0)).join('/')).join(', '),
    )
    .join('; '),
};
console.log(facts);
if (file !== '') writeFileSync(file, JSON.stringify(facts));
agent.destroy();
