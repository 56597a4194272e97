// Saves of a large job, one after the other from many pages at once, against one or two running servers.
import { writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { demoJobs, loadFromLibrary, loadLibrary } from './core.mjs';

const pages = 16;
const secondsEach = 8;

/** 200 loads and the circuits of the demo house: some 122 kB. */
function largeJob() {
  const job = structuredClone(demoJobs.toSorted((a, b) => b.job.loads.length - a.job.loads.length)[0].job);
  for (let i = 0; job.loads.length < 200; i += 1) {
    const load = loadFromLibrary(
      loadLibrary[i % loadLibrary.length],
      `load-${i}`,
      job.supply.system,
      job.loads,
    );
    job.loads.push({ ...load, circuitId: null });
  }
  return job;
}

/** The value below which a share of the values lies. */
export const percentile = (values, share) => {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
};

/** What a server answers, parsed; throws where it refuses. */
export const ask = async (url, method = 'GET', body = undefined) => {
  const response = await fetch(url, {
    method,
    headers: { 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  });
  const answer = await response.json();
  if (!response.ok) throw new Error(`${url}: ${response.status} ${JSON.stringify(answer).slice(0, 300)}`);
  return answer;
};

/** Saves a second and their durations, from `pages` jobs that are each saved as fast as the server answers. */
async function saves(url, differences) {
  const document = largeJob();
  const bytes = JSON.stringify(document).length;
  const ids = await Promise.all(
    Array.from({ length: pages }, () => ask(`${url}/api/jobs`, 'POST', { document }).then(({ id }) => id)),
  );
  const took = [];
  const run = async (id, until) => {
    for (let revision = 1; performance.now() < until; revision += 1) {
      const at = revision % 200;
      const value = 50 + (revision % 900);
      const loads = document.loads.with(at, { ...document.loads[at], runningPowerW: value });
      // What is different, or the whole document.
      const change = differences
        ? { patch: [{ op: 'replace', path: `/loads/${at}/runningPowerW`, value }] }
        : { document: { ...document, loads } };
      const body = { baseRevision: revision, saveId: crypto.randomUUID(), ...change };
      const begin = performance.now();
      await ask(`${url}/api/jobs/${id}`, 'PUT', body);
      took.push(performance.now() - begin);
    }
  };
  const begin = performance.now();
  await Promise.all(ids.map((id) => run(id, begin + secondsEach * 1000)));
  const seconds = (performance.now() - begin) / 1000;
  for (const id of ids) await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
  return { perSecond: took.length / seconds, p50: percentile(took, 0.5), p95: percentile(took, 0.95), bytes };
}

/**
 * @param url the server to measure
 * @param other one of an earlier program to compare with, in the same run; '' = none
 */
export async function proveLoad(url, other = '') {
  const rounds = [];
  for (let round = 0; round < 2; round += 1) {
    if (other) rounds.push(['before', await saves(other, true)]);
    rounds.push(['whole', await saves(url, false)]);
    rounds.push(['now', await saves(url, true)]);
  }
  const best = (name) =>
    rounds
      .filter(([which]) => which === name)
      .map(([, one]) => one)
      .toSorted((a, b) => b.perSecond - a.perSecond)[0];
  const now = best('now');
  const whole = best('whole');
  const before = other ? best('before') : null;
  return {
    'job, kB': Math.round(now.bytes / 1000),
    'pages at once': pages,
    cores: `${cpus().length}, shared by server, database and the pages`,
    'saves a second': now.perSecond.toFixed(0),
    'median ms': now.p50.toFixed(0),
    'p95 ms': now.p95.toFixed(0),
    'as whole documents: saves a second': whole.perSecond.toFixed(0),
    'as whole documents: p95 ms': whole.p95.toFixed(0),
    ...(before
      ? {
          'before: saves a second': before.perSecond.toFixed(0),
          'before: p95 ms': before.p95.toFixed(0),
          'times as many as before': (now.perSecond / before.perSecond).toFixed(2),
        }
      : {}),
  };
}

if (process.argv[1]?.endsWith('prove-load.mjs')) {
  const [, , url = 'http://127.0.0.1:4780', other = '', file = ''] = process.argv;
  const facts = await proveLoad(url, other);
  console.log(facts);
  if (file !== '') writeFileSync(file, JSON.stringify(facts));
}
