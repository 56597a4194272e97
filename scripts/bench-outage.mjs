// Single outages, the map of a year, and the same model in C, for docs/performance.md.
import { fileURLToPath } from 'node:url';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  builtInCatalogue,
  changeShed,
  demoJobs,
  demoPlans,
  evaluatePlan,
  moveToLane,
  outageFates,
  outagePlan,
  playOutage,
  studyYear,
  usualArray,
  usualGenerator,
  windowFor,
} from './core.mjs';
import { sixtyCircuits } from './bench-backup.mjs';
import { pageMemoryMB } from './bench-readings.mjs';

const ms = (value) => `${value.toFixed(0)} ms`;
const percentile = (values, share) =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))];
const horizonMin = 7 * 1440;

/** Sixty circuits behind a large stack, with sun and, where asked, a generator, and two circuits shed by charge. */
const sixty = (generator) => {
  const lanes = moveToLane(sixtyCircuits(3), { circuitIds: ['c7', 'c19'], loadIds: [] }, 'auto');
  const shed = changeShed(lanes, ['c7', 'c19'], { when: 'charge', belowCharge: 0.5 });
  return {
    ...shed,
    sources: {
      ...shed.sources,
      arrays: [{ ...usualArray(shed, 'a', 'Roof'), ratedW: 16_000, inverterW: null }],
      generator: generator ? usualGenerator('auto') : null,
    },
  };
};
const study = (plan, parts) => ({ plan, islandId: '', parts, weather: null });
const largest = [
  { unitId: 'woad-93', quantity: 3 },
  { unitId: 'woad-module', quantity: 24 },
];
const farm = demoPlans[0].plan;
const cases = [
  ['farmhouse of the demo, sun', study(farm, evaluatePlan(farm, builtInCatalogue).selected.stack.parts)],
  ['60 circuits, sun, two shed by charge', study(sixty(false), largest)],
  ['60 circuits, sun, generator, two shed by charge', study(sixty(true), largest)],
];

/** Writes a plan as outage-model.c reads it. */
function writePlan(plan, path) {
  const h = plan.hardware;
  const g = h.generator;
  const numbers = [
    plan.trace.demandW.length, plan.trace.minutes, 8760, horizonMin, plan.trace.fromMinute,
    h.usableWh, h.startWh, h.keptWh, h.chargePowerW, h.chargeEfficiency, h.chargeTaperFromWh, h.chargeAtFull,
    h.dischargePowerW, h.dischargeTaperBelowWh, h.dischargeAtEmpty, h.standbyW, h.retryTries,
    h.retriesPerMinute, h.resetAfterMin, h.restoreAboveWh,
    ...(g
      ? [1, g.locksSolarOut ? 1 : 0, g.powerW, g.startBelow, g.stopAbove, g.warmUpMin, g.chargerW, g.fuelL ?? Infinity, g.idleLPerH, g.fullLPerH]
      : new Array(10).fill(0)),
    h.dcChargeEfficiency, h.lossPerW, h.lossPerW2, h.retryAfterMin, plan.sun.returnMin,
  ]; // prettier-ignore
  const quiet = new Uint8Array(24);
  if (g?.quiet) for (let hour = g.quiet.fromH; hour !== g.quiet.toH; hour = (hour + 1) % 24) quiet[hour] = 1;
  const bytes = (array) => Buffer.from(array.buffer, array.byteOffset, array.byteLength);
  const padded = (values, length) => bytes(Float64Array.from({ length }, (_, i) => values[i] ?? 0));
  writeFileSync(
    path,
    Buffer.concat([
      padded(numbers, 40),
      padded(plan.thresholdsWh, 8),
      bytes(quiet),
      ...plan.trace.demandW.flatMap((watts, stage) => [
        bytes(watts),
        bytes(plan.overloads[stage]),
        bytes(plan.overloadsBeside[stage]),
      ]),
      Uint8Array.from({ length: Math.floor(plan.trace.minutes / 60) }, (_, hour) =>
        plan.pickups.at(hour * 60),
      ),
      ...[plan.sun.acW, plan.sun.dcW, plan.chargeShare, plan.dischargeShare].map(bytes),
    ]),
  );
}

/** Builds and runs the C program; null where there is no compiler. */
function inC(folder, plan) {
  const program = join(folder, 'model');
  try {
    execFileSync('gcc', [
      '-O2',
      '-o',
      program,
      fileURLToPath(new URL('./outage-model.c', import.meta.url)),
      '-lm',
    ]);
  } catch {
    return null;
  }
  writePlan(plan, join(folder, 'plan'));
  const runs = Array.from({ length: 3 }, () =>
    execFileSync(program, [join(folder, 'plan'), join(folder, 'survived')], { encoding: 'utf8' })
      .split(' ')
      .map(Number),
  );
  const survived = readFileSync(join(folder, 'survived'));
  return {
    timeMs: Math.min(...runs.map(([time]) => time)),
    survivedMin: new Float32Array(survived.buffer, survived.byteOffset, 8760),
  };
}

/** Rows for the two tables: single outages, and maps of a year on one core. */
export function benchOutages() {
  const folder = mkdtempSync(join(tmpdir(), 'levamen-bench-'));
  const single = [];
  const maps = [];
  for (const [label, of] of cases) {
    const year = studyYear(of, builtInCatalogue);
    const times = Array.from({ length: 40 }, (_, i) => {
      const begin = performance.now();
      playOutage(year, ((i * 15) % 365) * 1440, horizonMin);
      return performance.now() - begin;
    }).slice(16);
    single.push(
      `| ${label} | ${year.house.loads.length} | ${ms(percentile(times, 0.5))} | ${ms(percentile(times, 0.95))} |`,
    );
    const begin = performance.now();
    const plan = outagePlan(year, 0, windowFor(8760, horizonMin));
    const planMs = performance.now() - begin;
    const best = (wish) => {
      let least = Infinity;
      let fates = null;
      for (let i = 0; i < 3; i += 1) {
        const from = performance.now();
        fates = outageFates(plan, { hours: 8760, horizonMin, ...wish });
        least = Math.min(least, performance.now() - from);
      }
      return { timeMs: least, fates };
    };
    const merged = best({});
    const plain = best({ merge: false, jumps: false });
    const c = inC(folder, plan);
    const apart =
      c && Math.max(...plain.fates.survivedMin.map((min, hour) => Math.abs(min - c.survivedMin[hour])));
    maps.push(
      `| ${label} | ${ms(planMs)} | ${ms(merged.timeMs)} | ${ms(plain.timeMs)} | ${(plain.fates.steppedMin / 1e6).toFixed(1)} | ${((plain.timeMs * 1e6) / plain.fates.steppedMin).toFixed(0)} ns | ${c ? ms(c.timeMs) : 'no compiler'} | ${c ? (plain.timeMs / c.timeMs).toFixed(1) : ''} | ${c ? `${apart.toFixed(3)} min` : ''} |`,
    );
  }
  rmSync(folder, { recursive: true });
  return { single, maps };
}

/** In the page: from the click that opens the stage to the map of the year, and how far the page's process grows. */
export async function benchYearMap(page, url) {
  const rows = [];
  for (const { job } of demoJobs) {
    await page.goto(`${url}/jobs`);
    await page.getByRole('link', { name: job.name, exact: true }).click();
    await page.locator('[data-margin=runtime][data-simulated]').waitFor();
    const before = pageMemoryMB();
    let peak = before;
    const watch = setInterval(() => {
      peak = Math.max(peak, pageMemoryMB());
    }, 50);
    const begin = performance.now();
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Outage' }).click();
    await page.getByRole('button', { name: 'Year', exact: true }).click();
    await page.getByRole('heading', { name: /Hours survived/ }).waitFor();
    const tookS = (performance.now() - begin) / 1000;
    clearInterval(watch);
    rows.push(`| ${job.name} | ${tookS.toFixed(1)} s | ${(peak - before).toFixed(0)} MB |`);
  }
  return rows;
}

/** From a key press to the drawing of a runtime that is simulated for what it changed. */
async function timesUntilSimulated(page, count, edit) {
  const times = [];
  for (let i = 0; i < count; i += 1) {
    // Looked at in the page itself: the strip first says that it is no longer simulated, and then that it is again.
    await page.evaluate(() => {
      window.tookMs = 0;
      const strip = document.querySelector('[data-margin=runtime]').parentElement;
      const simulated = () => document.querySelector('[data-margin=runtime]').hasAttribute('data-simulated');
      const began = ({ key }) => {
        if (key !== 'Enter' && key !== 'd' && key !== 'o') return;
        window.removeEventListener('keydown', began, true);
        const begin = performance.now();
        let gone = false;
        const watch = new MutationObserver(() => {
          if (!gone) gone = !simulated();
          else if (simulated()) {
            watch.disconnect();
            requestAnimationFrame(() => (window.tookMs = performance.now() - begin));
          }
        });
        watch.observe(strip, { attributes: true, childList: true, subtree: true });
      };
      window.addEventListener('keydown', began, true);
    });
    await edit(i);
    await page.waitForFunction(() => window.tookMs > 0);
    times.push(await page.evaluate(() => window.tookMs));
    await page.waitForTimeout(700);
  }
  return times.slice(4);
}

/** From an edit to the runtime that is simulated for it, in the page: by what was edited. */
export async function benchRuntime(page, url) {
  const made = await fetch(`${url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: { ...demoJobs[0].job, name: 'Benchmark, runtime' } }),
  });
  const { id } = await made.json();
  await page.goto(`${url}/jobs/${id}/brief`);
  await page.locator('[data-margin=runtime][data-simulated]').waitFor();
  const field = page.getByRole('textbox', { name: 'Required runtime' });
  const required = await timesUntilSimulated(page, 24, async (i) => {
    await field.fill(String(29 + (i % 2)));
    await field.press('Enter');
  });
  // Each value but once: nothing is known of it.
  const year = page.getByRole('textbox', { name: 'Year of life to size for' });
  const sized = await timesUntilSimulated(page, 24, async (i) => {
    await year.fill(String(i + 1));
    await year.press('Enter');
  });
  await page.goto(`${url}/jobs/${id}/backup`);
  await page.locator('[data-margin=runtime][data-simulated]').waitFor();
  const kept = await page
    .locator('.lane.on [data-item]')
    .evaluateAll((rows) => rows.map(({ dataset }) => dataset.item));
  await page.waitForTimeout(3000);
  const moved = await timesUntilSimulated(page, 24, async (i) => {
    if (i % 2 === 0) await page.locator(`[data-item="${kept[(i / 2) % kept.length]}"]`).click();
    await page.keyboard.press(i % 2 === 0 ? 'd' : 'o');
  });
  await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
  return {
    'the required runtime': required,
    'the year of life to size for': sized,
    'a circuit left dark, another one each time': moved.filter((_, i) => i % 2 === 0),
    'the same circuit kept on again': moved.filter((_, i) => i % 2 === 1),
  };
}
