// What somebody at a page waits for, of this server and of an earlier program's, in turns in one run.
import { demoJobs } from './core.mjs';
import { ask, percentile } from './prove-load.mjs';

const jobs = 2000;
const rounds = 120;

/** A server with many jobs of the demo's size. */
async function filled(url) {
  const document = demoJobs[0].job;
  const ids = [];
  while (ids.length < jobs)
    ids.push(
      ...(await Promise.all(
        Array.from({ length: 20 }, (_, index) =>
          ask(`${url}/api/jobs`, 'POST', { document: { ...document, name: `Load ${ids.length + index}` } }),
        ),
      ).then((made) => made.map(({ id }) => id))),
    );
  return { url, ids, revisions: new Map() };
}

const words = ['7', 'harbour', '19', 'load 1'];
const cases = {
  'the first page of 2,000 jobs': ({ url }) => ask(`${url}/api/jobs?sort=changed`),
  'the same, sorted by place': ({ url }, round) => ask(`${url}/api/jobs?sort=place&page=${1 + (round % 5)}`),
  'a search through them': ({ url }, round) => ask(`${url}/api/jobs?search=${words[round % words.length]}`),
  'a job opened that nobody has opened': ({ url, ids }, round) => ask(`${url}/api/jobs/${ids[round]}`),
  'the same again': ({ url, ids }, round) => ask(`${url}/api/jobs/${ids[round]}`),
  'one field saved': async ({ url, ids, revisions }, round) => {
    const id = ids[round % 10];
    const { revision } = await ask(`${url}/api/jobs/${id}`, 'PUT', {
      baseRevision: revisions.get(id) ?? 1,
      saveId: crypto.randomUUID(),
      supersedes: [],
      patch: [{ op: 'replace', path: '/loads/3/runningPowerW', value: 50 + round }],
    });
    revisions.set(id, revision);
  },
  'its history': ({ url, ids }, round) => ask(`${url}/api/jobs/${ids[round % 10]}/revisions`),
  'the equipment of the company': ({ url }) => ask(`${url}/api/equipment`),
};

/**
 * Medians in ms of what a page asks a server for.
 *
 * @param {string} url this program's
 * @param {string} urlBefore the earlier one's
 * @returns {Promise<{what: string, now: number, before: number}[]>}
 */
export async function serversAgainst(url, urlBefore) {
  const [now, before] = [await filled(url), await filled(urlBefore)];
  const rows = [];
  for (const [what, run] of Object.entries(cases)) {
    const took = new Map([
      [now, []],
      [before, []],
    ]);
    for (let round = 0; round < rounds; round += 1)
      for (const server of round % 2 === 0 ? [now, before] : [before, now]) {
        const begin = performance.now();
        await run(server, round);
        took.get(server).push(performance.now() - begin);
      }
    rows.push({ what, now: percentile(took.get(now), 0.5), before: percentile(took.get(before), 0.5) });
  }
  return rows;
}
