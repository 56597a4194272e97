// Measures the import of meter data: a year of quarter hours of one register, and a year of minutes of 32 channels.
import { createWriteStream, readdirSync, readFileSync, statSync } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { once } from 'node:events';
import os from 'node:os';
import path from 'node:path';
import { demoPlans, newJob, panelBalance, simulatedChannels, simulatedSample } from './core.mjs';

const startS = Date.UTC(2025, 0, 1) / 1000;

/** Writes rows as fast as the disk takes them. */
const writeCsv = async (file, head, rows, row) => {
  const out = createWriteStream(file);
  out.write(`${head}\n`);
  for (let i = 0; i < rows; i += 1000) {
    let part = '';
    for (let k = i; k < Math.min(rows, i + 1000); k += 1) part += `${row(k)}\n`;
    if (!out.write(part)) await once(out, 'drain');
  }
  out.end();
  await once(out, 'finish');
};

/** Resident memory of the browser's page processes, MB. */
export const pageMemoryMB = () => {
  let most = 0;
  for (const pid of readdirSync('/proc')) {
    if (!/^\d+$/.test(pid)) continue;
    try {
      if (!readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('--type=renderer')) continue;
      const rss = /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'));
      most = Math.max(most, Number(rss?.[1] ?? 0) / 1000);
    } catch {
      // The process has ended meanwhile.
    }
  }
  return most;
};

const importFile = async (page, url, file) => {
  const made = await fetch(`${url}/api/jobs`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ document: newJob('Benchmark, meter data') }),
  });
  const { id } = await made.json();
  await page.goto(`${url}/jobs/${id}/usage`);
  await page.getByRole('button', { name: 'Meter data', exact: true }).click();
  const before = pageMemoryMB();
  let peak = before;
  const watch = setInterval(() => {
    peak = Math.max(peak, pageMemoryMB());
  }, 200);
  await page.getByLabel('CSV or Green Button file').setInputFiles(file);
  await page.getByLabel('Time zone of the house').fill('UTC');
  const begin = performance.now();
  await page.getByRole('button', { name: 'Read it', exact: true }).click();
  await page.getByText('values read in').waitFor({ timeout: 300_000 });
  const readText = await page.getByText('values read in').textContent();
  await page.getByRole('heading', { name: 'What it says' }).waitFor({ timeout: 300_000 });
  const wholeS = (performance.now() - begin) / 1000;
  clearInterval(watch);
  const [set] = await (await fetch(`${url}/api/jobs/${id}/readings`)).json();
  await fetch(`${url}/api/jobs/${id}/readings/${set.id}`, { method: 'DELETE' });
  await fetch(`${url}/api/jobs/${id}`, { method: 'DELETE' });
  const values = set.count * set.channels.length;
  return {
    values,
    readS: Number(/in ([\d.]+) s/.exec(readText)[1]),
    wholeS,
    moreMB: peak - before,
    bytesEach: set.bytes / values,
  };
};

/** Rows of a Markdown table with what was measured. */
export async function benchReadings(page, url) {
  const folder = await mkdtemp(path.join(os.tmpdir(), 'levamen-bench-'));
  const rows = [];
  try {
    const quarters = path.join(folder, 'quarters.csv');
    const minutes = path.join(folder, 'minutes.csv');
    const time = (utcS) => new Date(utcS * 1000).toISOString().slice(0, 19);
    await writeCsv(
      quarters,
      'time,Import kWh',
      35_040,
      (i) => `${time(startS + i * 900)},${(0.1 + (i % 96) / 400).toFixed(3)}`,
    );
    await writeCsv(
      minutes,
      ['time', ...simulatedChannels.map((name) => `${name} [W]`)].join(','),
      525_600,
      (i) => {
        const { powerW } = simulatedSample(1, startS + i * 60, 0);
        return `${time(startS + i * 60)},${Array.from(powerW, (w) => w.toFixed(1)).join(',')}`;
      },
    );
    for (const [label, file] of [
      ['a year of quarter hours, one register', quarters],
      ['a year of minutes, 32 channels', minutes],
    ]) {
      const { values, readS, wholeS, moreMB, bytesEach } = await importFile(page, url, file);
      rows.push(
        `| ${label} (${(statSync(file).size / 1e6).toFixed(1)} MB) | ${values.toLocaleString('en')} | ${readS.toFixed(2)} s | ${wholeS.toFixed(1)} s | ${moreMB.toFixed(0)} MB | ${bytesEach.toFixed(2)} |`,
      );
    }
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
  return rows;
}

/** The longest of many searches for the best swaps: a panel of 42 circuits on two legs, of 36 on three. */
export function benchSwaps() {
  const longest = (system, layout, count) => {
    const [{ plan }] = demoPlans;
    let most = 0;
    for (let run = 0; run < 20; run += 1) {
      const circuits = Array.from({ length: count }, (_, i) => ({
        ...plan.survey.panels[0].circuits[0],
        id: `c${i}`,
        name: `Circuit ${i}`,
        spaces: [i + 1],
      }));
      const panel = { ...plan.survey.panels[0], layout, spaces: 42, circuits };
      const loads = circuits.map(({ id }, i) => ({
        ...plan.loads[0],
        id: `l${i}`,
        circuitId: id,
        legs: `L${(i % (system === 'three-230-400' ? 3 : 2)) + 1}`,
        runningPowerW: 50 + ((i * 7919 + run * 104729) % 1900),
      }));
      const test = {
        ...plan,
        supply: { ...plan.supply, system },
        survey: { ...plan.survey, panels: [panel] },
        loads,
      };
      const begin = performance.now();
      panelBalance(test, panel, 'winter');
      most = Math.max(most, performance.now() - begin);
    }
    return most;
  };
  return [
    ['two legs, 42 one-pole circuits, up to four swaps', longest('split-120-240', 'odd-even', 42)],
    ['three legs, 42 one-pole circuits, up to two swaps', longest('three-230-400', 'one-row', 42)],
  ].map(([label, ms]) => `| ${label} | ${ms.toFixed(0)} ms |`);
}
