// How long a permit packet takes, and what twenty papers at once do to saving. Beside a running server:
//   LEVAMEN_REQUESTS_PER_MINUTE=1000000 ./levamen demo
//   node scripts/papers-load.mjs http://127.0.0.1:4780
const base = process.argv[2] ?? process.env.LEVAMEN_E2E_URL ?? 'http://127.0.0.1:4780';

const ask = async (path, method = 'GET', body = undefined) => {
  const answer = await fetch(`${base}${path}`, {
    method,
    ...(body === undefined
      ? {}
      : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return answer.status === 204 ? null : answer.json();
};
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));
const share = (values, of) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * of))];
const rounded = (ms) => Math.round(ms * 10) / 10;

const { rows } = await ask('/api/jobs?search=Farmhouse');
const farm = await ask(`/api/jobs/${rows.find(({ name }) => name.startsWith('Farmhouse')).id}`);
const copies = [];
const copyOf = async (name) => {
  const copy = await ask('/api/jobs', 'POST', { document: { ...farm.document, name } });
  copies.push(copy.id);
  return copy;
};

const order = (job, kind) =>
  ask(`/api/jobs/${job.id}/papers/orders`, 'POST', {
    request: { kind, sheet: 'letter', language: 'en', designIds: [job.document.chosenDesignId], without: [] },
    format: 'pdf',
    issue: null,
    jobRevision: job.revision,
  });
const finished = async (job, { id }) => {
  // As the page asks: soon at first, then seldom.
  for (let asked = 0; ; asked += 1) {
    const now = await ask(`/api/jobs/${job.id}/papers/orders/${id}`);
    if (now.state === 'done') return;
    if (now.state === 'failed') throw new Error(now.says);
    await wait(asked < 8 ? 350 : 1000);
  }
};
const timed = async (work) => {
  const begin = performance.now();
  await work();
  return performance.now() - begin;
};

// Each job is another one, so that nothing of it is known yet.
const packets = [];
for (let round = 0; round < 4; round += 1) {
  const job = await copyOf(`Packet ${Date.now()}`);
  job.document.brief.requiredRuntimeH = 20 + round;
  const saved = await ask(`/api/jobs/${job.id}`, 'PUT', {
    baseRevision: job.revision,
    saveId: crypto.randomUUID(),
    supersedes: [],
    document: job.document,
  });
  packets.push(
    await timed(async () => finished(job, await order({ ...job, revision: saved.revision }, 'packet'))),
  );
}
console.log(
  `packet, ms: first ${Math.round(packets[0])}, then ${packets.slice(1).map(Math.round).join(', ')}`,
);

const edited = await copyOf(`Edited ${Date.now()}`);
const { document } = edited;
let { revision } = edited;
const saves = async (count) => {
  const times = [];
  for (let n = 0; n < count; n += 1) {
    document.brief.notes = `Edit ${n} ${Date.now()}`;
    times.push(
      await timed(async () => {
        ({ revision } = await ask(`/api/jobs/${edited.id}`, 'PUT', {
          baseRevision: revision,
          saveId: crypto.randomUUID(),
          supersedes: [],
          patch: [{ op: 'replace', path: '/brief/notes', value: document.brief.notes }],
        }));
      }),
    );
    await wait(20);
  }
  return times;
};
await saves(40);
const alone = await saves(150);
const jobs = await Promise.all(Array.from({ length: 20 }, (_, n) => copyOf(`Beside ${n} ${Date.now()}`)));
const kinds = ['packet', 'parts', 'labels', 'card', 'packet'];
const all = Promise.all(jobs.map(async (job, n) => finished(job, await order(job, kinds[n % kinds.length]))));
await wait(1500);
const beside = await saves(150);
await all;
for (const [name, times] of [
  ['saves alone', alone],
  ['saves beside 20 papers', beside],
])
  console.log(`${name}, ms: median ${rounded(share(times, 0.5))}, p95 ${rounded(share(times, 0.95))}`);
console.log(`median beside ÷ alone: ${(share(beside, 0.5) / share(alone, 0.5)).toFixed(2)}`);
for (const id of copies) await ask(`/api/jobs/${id}`, 'DELETE');
