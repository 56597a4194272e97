import {
  emptyPlan,
  keepOnly,
  loadFromLibrary,
  loadLibrary,
  newCircuit,
  newJob,
  newPanel,
  newService,
  settlePlan,
  withPlan,
} from './core.mjs';

/** As large as a job may be: 500 loads on 24 panels of 50 circuits, a third of them backed up. */
function bigHouse() {
  const blank = emptyPlan();
  const { system } = blank.supply;
  const panels = Array.from({ length: 24 }, (_, p) => ({
    ...newPanel(
      `p${p}`,
      `Panel ${p + 1}`,
      system,
      p === 0 ? { kind: 'service', serviceId: 'service' } : { kind: 'circuit', circuitId: `p0c${p}` },
    ),
    spaces: 84,
    circuits: Array.from({ length: 50 }, (_, c) => newCircuit(`p${p}c${c}`, [c + 1], `Circuit ${c + 1}`)),
  }));
  const loads = [];
  for (let i = 0; i < 500; i += 1) {
    const load = loadFromLibrary(loadLibrary[i % loadLibrary.length], `load-${i}`, system, loads);
    loads.push({ ...load, circuitId: `p${i % 24}c${24 + (Math.floor(i / 24) % 26)}` });
  }
  const survey = { ...blank.survey, services: [newService('service', 'Service')], panels };
  return settlePlan(
    keepOnly(
      { ...blank, survey, loads },
      loads.filter((_, i) => i % 3 === 0).map(({ id }) => id),
    ),
  );
}

const readStream = async (cdp, handle) => {
  let text = '';
  for (;;) {
    const { data, eof, base64Encoded } = await cdp.send('IO.read', { handle, size: 1 << 22 });
    text += base64Encoded ? Buffer.from(data, 'base64').toString() : data;
    if (eof) return text;
  }
};

/** Watches the tasks on the page's thread; asked, it tells the longest since it was asked last: by the clock, and of the processor's time, ms. */
async function watchTasks(page) {
  const cdp = await page.context().newCDPSession(page);
  const begin = () =>
    cdp.send('Tracing.start', {
      traceConfig: { includedCategories: ['toplevel', 'disabled-by-default-devtools.timeline'] },
      transferMode: 'ReturnAsStream',
    });
  await begin();
  return async () => {
    const complete = new Promise((resolve) => cdp.once('Tracing.tracingComplete', resolve));
    await cdp.send('Tracing.end');
    const { traceEvents } = JSON.parse(await readStream(cdp, (await complete).stream));
    await begin();
    const isOfPage = ({ name, args }) => name === 'thread_name' && args.name === 'CrRendererMain';
    const threads = new Set(traceEvents.filter(isOfPage).map(({ pid, tid }) => `${pid} ${tid}`));
    const tasks = traceEvents.filter(
      ({ name, ph, pid, tid }) => ph === 'X' && name === 'RunTask' && threads.has(`${pid} ${tid}`),
    );
    const most = (of) =>
      (tasks.reduce((longest, task) => Math.max(longest, of(task) ?? 0), 0) / 1000).toFixed(0);
    return `${most(({ dur }) => dur)} ms | ${most(({ tdur }) => tdur)} ms`;
  };
}

/** Rows of the table of longest tasks: while each stage opens, and while circuits and a figure of the brief are changed. */
export async function benchBigHouse(browser, url) {
  const made = await fetch(`${url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: withPlan(newJob('Benchmark, 500 loads'), bigHouse()) }),
  });
  const { id } = await made.json();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const longest = await watchTasks(page);
  const open = async (stage) => {
    await page.goto(`${url}/jobs/${id}/${stage}`);
    await page.locator('[data-margin=runtime]').waitFor();
    await page.waitForTimeout(6000);
    return longest();
  };
  const rows = [];
  for (const stage of ['brief', 'panels', 'loads', 'sources', 'backup']) {
    rows.push(`| ${stage} opens | ${await open(stage)} |`);
  }
  await page.locator('[data-item]').nth(5).click();
  await page.waitForTimeout(2000);
  await longest();
  for (let i = 0; i < 6; i += 1) {
    await page.keyboard.press(i % 2 === 0 ? 'd' : 'o');
    await page.waitForTimeout(3000);
  }
  rows.push(`| a circuit is moved | ${await longest()} |`);
  await open('brief');
  const field = page.getByRole('textbox', { name: 'Required runtime' });
  for (let i = 0; i < 6; i += 1) {
    await field.fill(String(20 + i));
    await field.press('Enter');
    await page.waitForTimeout(2500);
  }
  rows.push(`| the required runtime is changed | ${await longest()} |`);
  await page.close();
  await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
  return rows;
}
