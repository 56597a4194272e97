import { expect, test } from '@playwright/test';
import { Bench } from './bench';

/** The legend of a panel of an invented house as it is read off, left column first. */
const legend = [
  '50/2 Range',
  '30/2 Dryer',
  '30/2 Water htr',
  '40/2 AC',
  '60/2 EV',
  '20/2 Well',
  '20 Fridge',
  '20 Counter',
  '20 Island',
  '20 Dishw',
  '20 Micro',
  '20 Laundry',
  '20 Bath',
  '15 Hall',
  '15 Living',
  '15 Bed 1',
  '15 Bed 2',
  '15 Bed 3',
  '15 Office',
  '15 Lights up',
  '15 Lights dn',
  '15 Furnace',
  '15 Sump',
  '20 Garage',
  '15 Porch',
  '15 Freezer',
  '15 Router',
  '20 Workshop',
  '15 Septic',
  '15 Smoke',
  '15 Attic',
] as const;

test('a house of 31 circuits is typed by keys alone, and its loads hang on them in one step', async ({
  page,
}) => {
  const bench = new Bench(page);
  let keys = 0;
  let clicks = 0;
  const type = async (text: string): Promise<void> => {
    keys += text.length;
    await page.keyboard.type(text, { delay: 15 });
  };
  const press = async (key: string): Promise<void> => {
    keys += 1;
    await page.keyboard.press(key);
  };
  await bench.newJob('Thirty-one circuits');
  const started = Date.now();
  await press('Alt+3');
  const begin = page.getByRole('button', { name: 'Begin with the service and its panel' });
  await expect(begin).toBeVisible();
  clicks += 1;
  await begin.click();
  await expect(bench.space(1)).toBeFocused();
  for (const [index, line] of legend.entries()) {
    await type(line);
    await press('Enter');
    await expect(page.locator('.breaker')).toHaveCount(index + 1);
  }
  await expect(page.getByRole('gridcell').filter({ hasText: 'Attic' })).toBeVisible();
  await press('Alt+4');
  const fromLegend = page.getByRole('button', { name: /^From the legend \(/ }).first();
  await expect(fromLegend).toBeVisible();
  clicks += 1;
  await fromLegend.click();
  await expect(bench.cell('Well', 'power')).toHaveText('1100');
  // Every load that was made hangs on the circuit of its name.
  const rows = page.locator('tr[data-load]');
  await expect.poll(() => rows.count()).toBeGreaterThanOrEqual(28);
  const made = await rows.count();
  expect(await rows.locator('td.circuit', { hasText: /^\d/ }).count()).toBe(made);
  // One more by hand, placed by typing its space.
  await bench.cell('Well', 'name').click();
  clicks += 1;
  await press('Insert');
  await type('Radio');
  await press('Tab');
  await type('27');
  await press('Enter');
  await expect(bench.cell('Radio', 'circuit')).toContainText('27');
  // Before: 694 keys and 126 clicks up to placing loads, and two clicks more for each load.
  test.info().annotations.push({
    type: 'measured',
    description: `${keys} keys, ${clicks} clicks, ${made} loads placed, ${((Date.now() - started) / 1000).toFixed(1)} s`,
  });
  console.log(`31 circuits: ${keys} keys, ${clicks} clicks, ${made} loads placed`);
  expect(clicks).toBeLessThanOrEqual(63);
  expect(keys).toBeLessThanOrEqual(420);
});
