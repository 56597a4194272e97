// The search for the best design, and a year with the grid, for docs/performance.md.
import {
  builtInCatalogue,
  dailyHouse,
  dailyYear,
  demoPlans,
  dailyBattery,
  assembleStack,
  settingsOf,
  utilityBill,
} from './core.mjs';
import { pageMemoryMB } from './bench-readings.mjs';

const ms = (value) => `${value.toFixed(0)} ms`;
const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** From opening the stage to the first point and to the front of one year, as the page says it. */
export async function benchOptions(page, url, jobs) {
  const rows = [];
  for (const [label, id] of jobs) {
    await page.goto(`${url}/jobs/${id}/sources`);
    await page.locator('[data-margin=runtime]').waitFor();
    const before = await pageMemoryMB(page);
    const begin = performance.now();
    await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Options' }).click();
    await page.locator('lv-options-stage tbody tr').first().waitFor({ timeout: 120_000 });
    const firstMs = performance.now() - begin;
    const status = page.locator('lv-options-stage [role=status]').first();
    await page.waitForFunction(
      () =>
        /on no front in [\d.]+ s/.test(
          document.querySelector('lv-options-stage [role=status]')?.textContent ?? '',
        ),
      null,
      { timeout: 300_000 },
    );
    const text = await status.textContent();
    const [, total, variants, simulated, , took] =
      /(\d+) candidates \((\d+) variants[^:]*: (\d+) simulated, (\d+) passed over .* in ([\d.]+) s/.exec(
        text,
      );
    const memory = (await pageMemoryMB(page)) - before;
    rows.push(
      `| ${label} | ${total} (${variants} variants) | ${simulated} | ${((100 * simulated) / total).toFixed(1)} % | ${ms(firstMs)} | ${took} s | ${memory.toFixed(0)} MB |`,
    );
  }
  return rows;
}

/** One design through a year with the grid, following prices: planning, playing and the bill; the house is prepared. */
export function benchDaily() {
  const { plan } = demoPlans[0];
  const { stack } = assembleStack(plan.equipment.stacks[0].parts, builtInCatalogue, plan.supply.system);
  const battery = dailyBattery(stack, settingsOf(plan), 0.3);
  return [60, 15].map((intervalMin) => {
    const begin = performance.now();
    const house = dailyHouse(plan, null, intervalMin);
    const prepareMs = performance.now() - begin;
    const [meter] = house.meters;
    const behind = { battery, solarDcW: stack.solarDcW, hasArray: () => true };
    const times = [];
    for (let round = 0; round < 25; round += 1) {
      const from = performance.now();
      const { played } = dailyYear(meter, house, behind, { ...plan.dailyUse, strategy: 'prices' });
      utilityBill(meter.tariff, meter.calendar, played);
      times.push(performance.now() - from);
    }
    const warm = times.slice(5);
    return `| ${(365 * 1440) / intervalMin} intervals of ${intervalMin} min | ${ms(prepareMs)} | ${ms(median(warm))} | ${ms(Math.max(...warm))} |`;
  });
}
