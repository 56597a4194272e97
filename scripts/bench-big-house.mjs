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

/** The longest task on the page's thread since it was asked about last, ms. */
const longestTask = async (page) =>
  `${Math.max(0, ...(await page.evaluate(() => window.tasksMs.splice(0)))).toFixed(0)} ms`;

/** Rows of the table of longest tasks: while each stage opens, and while circuits and a figure of the brief are changed. */
export async function benchBigHouse(browser, url) {
  const made = await fetch(`${url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: withPlan(newJob('Benchmark, 500 loads'), bigHouse()) }),
  });
  const { id } = await made.json();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    window.tasksMs = [];
    const watch = new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) window.tasksMs.push(duration);
    });
    watch.observe({ type: 'longtask', buffered: true });
  });
  const open = async (stage) => {
    await page.goto(`${url}/jobs/${id}/${stage}`);
    await page.locator('[data-margin=runtime]').waitFor();
    await page.waitForTimeout(6000);
    return longestTask(page);
  };
  const rows = [];
  for (const stage of ['brief', 'panels', 'loads', 'sources', 'backup']) {
    rows.push(`| ${stage} opens | ${await open(stage)} |`);
  }
  await page.locator('[data-item]').nth(5).click();
  await page.waitForTimeout(2000);
  await longestTask(page);
  for (let i = 0; i < 6; i += 1) {
    await page.keyboard.press(i % 2 === 0 ? 'd' : 'o');
    await page.waitForTimeout(3000);
  }
  rows.push(`| a circuit is moved | ${await longestTask(page)} |`);
  await open('brief');
  const field = page.getByRole('textbox', { name: 'Required runtime' });
  for (let i = 0; i < 6; i += 1) {
    await field.fill(String(20 + i));
    await field.press('Enter');
    await page.waitForTimeout(2500);
  }
  rows.push(`| the required runtime is changed | ${await longestTask(page)} |`);
  await page.close();
  await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
  return rows;
}
