// Measures what docs/performance.md reports, and writes it: ./levamen bench (with ./levamen demo running for the page).
import { readFileSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import { benchAgainst } from './bench-against.mjs';
import { benchBigHouse } from './bench-big-house.mjs';
import { benchMoves, benchSuggestions, sixtyCircuits } from './bench-backup.mjs';
import { benchOutages, benchRuntime, benchYearMap } from './bench-outage.mjs';
import { benchDaily, benchOptions } from './bench-options.mjs';
import { benchReadings, benchSwaps } from './bench-readings.mjs';
import { benchWiring } from './bench-wiring.mjs';
import { launchBrowser, programUrl as url } from './browser.mjs';
import {
  addLoads,
  builtInCatalogue,
  emptyPlan,
  evaluatePlan,
  keepOnly,
  keptLoads,
  loadFromLibrary,
  loadLibrary,
  newJob,
  withPlan,
} from './core.mjs';

const percentile = (values, share) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))];
const ms = (value) => `${value.toFixed(0)} ms`;

/** 200 loads: the library over and over. */
const bigPlan = (everythingOn) => {
  let plan = emptyPlan();
  for (let i = 0; i < 200; i += 1) {
    const typical = loadLibrary[i % loadLibrary.length];
    plan = addLoads(plan, [loadFromLibrary(typical, `load-${i}`, plan.supply.system, plan.loads)]);
  }
  return everythingOn
    ? keepOnly(
        plan,
        plan.loads.map(({ id }) => id),
      )
    : plan;
};
const bigJob = (everythingOn) => withPlan(newJob('Benchmark, 200 loads'), bigPlan(everythingOn));

const core = (plan) => {
  const times = [];
  for (let i = 0; i < 60; i += 1) {
    const loads = plan.loads.with(i % 200, { ...plan.loads[i % 200], runningPowerW: 50 + i });
    const begin = performance.now();
    evaluatePlan({ ...plan, loads }, builtInCatalogue);
    times.push(performance.now() - begin);
  }
  return times.slice(10);
};

const rows = [];
for (const [label, plan] of [
  ['as the library marks them (must and should backed up)', bigPlan(false)],
  ['all 200 backed up', bigPlan(true)],
]) {
  const times = core(plan);
  const inSet = keptLoads(plan).size;
  rows.push(
    `| core alone, 200 loads, ${label}: ${inSet} | ${ms(percentile(times, 0.5))} | ${ms(percentile(times, 0.95))} |`,
  );
}

const browser = await launchBrowser();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const session = await page.context().newCDPSession(page);
await session.send('Network.enable');
let scriptBytes = 0;
const scripts = new Set();
session.on('Network.responseReceived', ({ requestId, type }) => type === 'Script' && scripts.add(requestId));
// Bodies only: headers are not JavaScript.
session.on('Network.dataReceived', ({ requestId, encodedDataLength }) => {
  if (scripts.has(requestId)) scriptBytes += encodedDataLength;
});

const create = async (job) =>
  (
    await (
      await fetch(`${url}/api/jobs`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ document: job }),
      })
    ).json()
  ).id;
const sizes = [];
const ids = [];
for (const everythingOn of [false, true]) ids.push(await create(bigJob(everythingOn)));

// What comes when the page is idle is held back, so that it is not counted as needed on a slow machine.
await page.addInitScript(() => {
  const idle = window.requestIdleCallback.bind(window);
  window.requestIdleCallback = (callback, options) => window.setTimeout(() => idle(callback, options), 1000);
});
for (const stage of ['brief', 'usage', 'panels', 'loads', 'backup', 'sources', 'outage']) {
  await session.send('Network.clearBrowserCache');
  scriptBytes = 0;
  const begin = performance.now();
  await page.goto(`${url}/jobs/${ids[0]}/${stage}`);
  await page.locator('[data-margin=runtime]').waitFor();
  await page.locator(`lv-${stage}-stage section`).first().waitFor();
  const atStage = performance.now() - begin;
  const before = scriptBytes;
  await page.waitForTimeout(3500);
  sizes.push(
    `| ${stage} | ${(before / 1000).toFixed(0)} kB | ${(scriptBytes / 1000).toFixed(0)} kB | ${ms(atStage)} |`,
  );
}

/** From the key press that toggles a load to the drawing of the changed margin. */
const toggles = async (id) => {
  await page.goto(`${url}/jobs/${id}/loads`);
  await page.locator('lv-demand-chart svg').waitFor();
  await page.locator('td.name').nth(3).click();
  await page.waitForTimeout(300);
  const times = [];
  for (let i = 0; i < 40; i += 1) {
    times.push(
      await page.evaluate(
        () =>
          new Promise((resolve) => {
            // The row and the margins are drawn in the same pass; the row always changes.
            const row = document.activeElement.closest('tr');
            const begin = performance.now();
            const watch = new MutationObserver(() => {
              watch.disconnect();
              requestAnimationFrame(() => resolve(performance.now() - begin));
            });
            watch.observe(row, { attributes: true, subtree: true });
            document.activeElement.dispatchEvent(
              new KeyboardEvent('keydown', { key: ' ', bubbles: true, cancelable: true }),
            );
          }),
      ),
    );
    // Three to four edits a second: as fast as anybody switches loads on and off.
    await page.waitForTimeout(300);
  }
  return times.slice(5);
};
const inPage = await toggles(ids[0]);
rows.push(
  `| in the page, key press to drawn margin, 84 of 200 loads backed up | ${ms(percentile(inPage, 0.5))} | ${ms(percentile(inPage, 0.95))} |`,
);
const inPageAll = await toggles(ids[1]);
rows.push(
  `| in the page, key press to drawn margin, all 200 loads backed up | ${ms(percentile(inPageAll, 0.5))} | ${ms(percentile(inPageAll, 0.95))} |`,
);
/** From the key press that moves a circuit to the drawing of the changed lanes and margins. */
const moves = async (id) => {
  await page.goto(`${url}/jobs/${id}/backup`);
  await page.locator('[data-item=c7]').click();
  await page.waitForTimeout(800);
  const times = [];
  for (let i = 0; i < 40; i += 1) {
    times.push(
      await page.evaluate(
        (key) =>
          new Promise((resolve) => {
            // Lanes and margins are drawn in the same pass; the lanes always change.
            const bench = document.querySelector('lv-bench');
            const begin = performance.now();
            const watch = new MutationObserver(() => {
              watch.disconnect();
              requestAnimationFrame(() => resolve(performance.now() - begin));
            });
            watch.observe(bench, { childList: true, subtree: true });
            document.activeElement.dispatchEvent(
              new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }),
            );
          }),
        i % 2 === 0 ? 'd' : 'o',
      ),
    );
    await page.waitForTimeout(400);
  }
  return times.slice(5);
};
ids.push(await create(withPlan(newJob('Benchmark, 60 circuits'), sixtyCircuits(1))));
const moved = await moves(ids.at(-1));
const moveRows = [
  ...benchMoves(),
  `| in the page, key press to drawn lanes and margins, one of 60 circuits | ${ms(percentile(moved, 0.5))} | ${ms(percentile(moved, 0.95))} |`,
];
const yearMaps = await benchYearMap(page, url);
const runtimes = await benchRuntime(page, url);
const demoJob = (await (await fetch(`${url}/api/jobs?search=Farmhouse`)).json()).rows[0].id;
const options = await benchOptions(page, url, [
  ['farmhouse of the demo, 25 circuits, prices', demoJob],
  ['60 circuits, without prices', ids.at(-1)],
]);
const readingRows = await benchReadings(page, url);
const tasks = await benchBigHouse(browser, url);
for (const id of ids) await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
await browser.close();
const wiring = await benchWiring();
const outages = benchOutages();
const { against, rows: ratios } = benchAgainst();

const text = `# Performance

Written by \`./levamen bench\` while \`./levamen demo\` runs. Machine: ${os.cpus().length} cores, Node ${process.version}, Chromium ${browser.version()}, ${new Date().toISOString().slice(0, 10)}.

## An edit

Wanted: every margin within 100 ms with 200 loads. One edit works out demand, every stack of the catalogue against every limit,
and all margins; what each load costs follows 120 ms later.

| what | median | 95th percentile |
| --- | --- | --- |
${rows.join('\n')}

All 200 typical loads backed up add up to some 300 kVA connected: no house has that, but it is the hardest case there is.

## The backup set

Wanted: moving one of 60 circuits updates every margin within 100 ms at the 95th percentile, with the full distribution of demand.
What stands beside each circuit (hours, limits) follows 60 ms later.

| what | median | 95th percentile |
| --- | --- | --- |
${moveRows.join('\n')}

Wanted: the best set of 60 circuits in under 3 s. Ten random houses for each stack, 24 h asked for. A search that is not through after
2.5 s answers with the best set so far and with how much more any set could be worth.

| stack | median | longest | proven best |
| --- | --- | --- | --- |
${benchSuggestions().join('\n')}

## Outages

Wanted: a single outage of a week with 60 loads in under 50 ms, with everything written down for its picture.

| house | loads | median | 95th percentile |
| --- | --- | --- | --- |
${outages.single.join('\n')}

Wanted: the map of a year (an outage from each of 8,760 hours, followed for up to 168 h minute by minute) in under 10 s on two cores, 3 s
being the aim, and under 200 MB. In the page, from the click that opens the stage to the drawn map, in two workers; memory: how far the
page's process grows, workers included.

| house | time | memory |
| --- | --- | --- |
${yearMaps.join('\n')}

The same on one core without the page. Prepare: demand, overloads and restarts of a year. Merged: outages that come to be alike end alike,
and hours in which nothing depends on the charge are passed in one step. Stepped through: every minute of every one, to its end. In C: the same model as a plain C program (\`scripts/outage-model.c\`, gcc -O2), every outage to its
end; apart: the largest difference of the minutes survived.

| house | prepare | merged | stepped through | million minutes | a minute | in C | times C | apart |
| --- | --- | --- | --- | --- | --- | --- | --- | --- |
${outages.maps.join('\n')}

The runtime margin: from an edit to the answer that is simulated for it (meanwhile the last one is carried on). Wanted: 250 ms at the 95th
percentile, 150 being the aim.

| edit, farmhouse of the demo | median | 95th percentile |
| --- | --- | --- |
${Object.entries(runtimes)
  .map(([name, times]) => `| ${name} | ${ms(percentile(times, 0.5))} | ${ms(percentile(times, 0.95))} |`)
  .join('\n')}

## The best design for the money

Wanted: 2,000 candidates with 60 circuits within 10 s on two cores where up to an eighth need simulating, the first points within 1 s, under 500 MB. In the
page, from the click that opens the stage; memory: how far the page's process grows, workers included.

| house | candidates | simulated | of all | first point | front of one year | memory |
| --- | --- | --- | --- | --- | --- | --- |
${options.join('\n')}

## Wiring

Wanted: 20 handles within 3 s; the drawing of 60 circuits, two services and a generator laid out within 1 s. In core alone; in the page a worker does it. The large house is the farmhouse
twice behind two meters, both backed up as a whole.

| what | median |
| --- | --- |
${wiring.join('\n')}

## A year with the grid

Wanted: a year of hours of one design in under 30 ms, of quarter hours in under 120 ms. It follows prices (three bands, two seasons): planned every midnight,
played, and billed. Preparing the house (loads, sun, calendar) is done once for all designs.

| year | prepare the house | median | longest |
| --- | --- | --- | --- |
${benchDaily().join('\n')}

## As large as a job may be

500 loads on 24 panels with 1,200 circuits, a third of the loads backed up. Wanted: no task on the page's thread over 100 ms. The longest of each.

| while | longest task by the clock | of the processor's time |
| --- | --- | --- |
${tasks.join('\n')}

## Against the program before

Core alone, now and at commit ${against}, in turns in this run: the shortest times of three runs. A ratio above 1 is slower than before.

| what | now | before | ratio |
| --- | --- | --- | --- |
${ratios.join('\n')}

## Loading

Wanted: under 300 kB of compressed JavaScript before the first stage shows; charts come after that.

| first stage | JavaScript until it shows | with what comes lazily | time until it shows |
| --- | --- | --- | --- |
${sizes.join('\n')}

## Meter data

Wanted: 35,040 rows read in under 1 s; a year of minutes of 32 channels in under 60 s and 500 MB. Read: parsed and put on its grid, in
the worker. In all: read, packed, sent to the server, kept in PostgreSQL and analysed. Memory: how far the page's process grows, file,
worker and analysis included.

| file | values | read | in all | memory | bytes a reading in the database |
| --- | --- | --- | --- | --- | --- |
${readingRows.join('\n')}

## Typing a house

Counted by \`e2e/first-hour-house.test.ts\`, not timed: a panel of 31 circuits and its loads, from the new job on.

| | keys | clicks | loads placed |
| --- | --- | --- | --- |
| before, up to placing loads | 694 | 126 | none; two clicks more for each |
| now | 323 | 3 | 31 |

## Leg balance

Wanted: the best swaps of 42 circuits in under 200 ms. The longest of twenty random panels.

| panel | longest |
| --- | --- |
${benchSwaps().join('\n')}
`;
const file = new URL('../docs/performance.md', import.meta.url);
const sectionsOf = (page) => page.split(/^(?=## )/m).slice(1);
const titleOf = (section) => section.split('\n', 1)[0];
const written = new Set(sectionsOf(text).map(titleOf));
// What other scripts measured stays.
const kept = sectionsOf(readFileSync(file, 'utf8')).filter((section) => !written.has(titleOf(section)));
writeFileSync(file, [text.trimEnd(), ...kept.map((section) => section.trimEnd())].join('\n\n') + '\n');
console.log(text);
