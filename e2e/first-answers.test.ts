import { expect, test } from '@playwright/test';
import { Bench } from './bench';

test('a quick answer before there is a job, and a job that begins with it', async ({ page }) => {
  await page.goto('/jobs');
  await page.getByRole('link', { name: /quick answer/ }).click();
  const energy = page.locator('[data-quick=energy]');
  await expect(energy).toContainText('kWh to');
  const before = await energy.textContent();
  await page.getByText('Well pump, ¾ hp').click();
  await expect(energy).not.toHaveText(before!);
  await page.getByText('Central air conditioning').click();
  await expect(page.getByRole('listitem').filter({ hasText: 'Central air' })).toContainText('marked never');
  await page.getByRole('button', { name: 'Start the job' }).click();
  await expect(page.getByText('Enter a name')).toBeVisible();
  await page.getByRole('textbox', { name: 'Go on with it as a job' }).fill('Telephone call');
  await page.getByRole('button', { name: 'Start the job' }).click();
  const bench = new Bench(page);
  await bench.goTo('Loads');
  await expect(bench.cell('Well pump, ¾ hp', 'power')).toHaveText('1100');
});

test('twelve bills and nothing else make a house that comes to what was billed', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Bills only');
  await bench.goTo('Usage');
  await page.getByRole('button', { name: 'Paste or import' }).click();
  const kWh = [1200, 1100, 980, 760, 640, 690, 820, 840, 650, 720, 900, 1180];
  const rows = kWh.map(
    (value, month) =>
      `2025-${String(month + 1).padStart(2, '0')}-01\t${month === 11 ? '2026-01-01' : `2025-${String(month + 2).padStart(2, '0')}-01`}\t${value}`,
  );
  await page.locator('lv-paste-rows textarea').fill(rows.join('\n'));
  await page.getByRole('button', { name: 'Add 12 bills' }).click();
  // February is the highest by its 28 days; by trade habit it is a thirtieth of its 1,100 kWh.
  await expect(page.getByText(/by habit: 1,100\s?kWh ÷ 30 = 36\.7\s?kWh/)).toBeVisible();
  await page.getByRole('combobox', { name: 'Heating' }).click();
  await page.getByRole('option', { name: 'Electric resistance' }).click();
  await page.getByRole('button', { name: 'Make the house from its bills' }).click();
  const house = page.getByRole('region', { name: 'The house by its bills' });
  await expect(house.getByText('Rest of the house, by its bills')).toBeVisible();
  await expect(house.locator('tbody tr').first()).toContainText('kWh');
  await bench.goTo('Loads');
  await expect(bench.cell('Rest of the house, by its bills', 'legs')).toHaveText('~ L1-L2');
  await expect(bench.margin('runtime')).not.toContainText('not yet known');
});

test('open points are told by what they matter, and keep who finds them out', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Open points');
  await bench.addHouse('Essentials only');
  await page.getByRole('link', { name: 'Open points' }).click();
  const first = page.locator('tr[lv-open-point-row]').first();
  await expect(first).toContainText('Required runtime');
  await expect(first).toContainText('decides');
  await first.getByRole('textbox').first().fill('Rowan');
  await first.getByRole('textbox').first().press('Tab');
  await page.getByRole('button', { name: 'New point' }).click();
  await expect(page.locator('tr[lv-open-point-row] lv-text-field')).toHaveCount(1);
  await expect(first.getByRole('textbox', { name: /^Who finds out: Required runtime/ })).toHaveValue('Rowan');
  await first.getByRole('checkbox').check();
  await expect(page.getByRole('heading', { name: 'Settled' })).toBeVisible();
});

test('the rating of the service is one, wherever it is typed', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('One rating');
  await bench.goTo('Brief');
  await page.getByRole('textbox', { name: 'Service rating' }).fill('150');
  await page.getByRole('textbox', { name: 'Service rating' }).press('Enter');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await page.getByRole('button', { name: 'Service 1' }).click();
  await expect(page.getByRole('textbox', { name: 'Rating' })).toHaveValue('150');
  await page.getByRole('textbox', { name: 'Rating' }).fill('200');
  await page.getByRole('textbox', { name: 'Rating' }).press('Enter');
  await bench.goTo('Brief');
  await expect(page.getByRole('textbox', { name: 'Service rating' })).toHaveValue('200');
});

test('pasted rows are corrected before they are taken', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Pasted');
  await bench.goTo('Loads');
  await page.getByRole('button', { name: 'Paste rows' }).click();
  // The dialog takes the focus there once it stands.
  await expect(page.locator('#paste-box')).toBeFocused();
  await page.locator('#paste-box').fill('Thing\tDraws\nLamp\tsixty\nFan\t40');
  const add = page.getByRole('button', { name: /^Add \d+ loads$/ });
  await expect(add).toBeDisabled();
  await page.getByRole('combobox', { name: 'Column 1 holds' }).selectOption('name');
  await page.getByRole('combobox', { name: 'Column 2 holds' }).selectOption('watts');
  // The headings are a row like any other now: it has no power, and is left out.
  await expect(page.getByText(/left out: .*watts/).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'Row 2, column 2' }).fill('60');
  await page.getByRole('textbox', { name: 'Row 2, column 2' }).press('Tab');
  await expect(add).toHaveText('Add 2 loads');
  await add.click();
  await expect(bench.cell('Lamp', 'power')).toHaveText('60');
});
