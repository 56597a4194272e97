import { expect, test } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';

test('a tariff is entered from a sample, given to the meter, kept as a file and read again', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Tariffs entered', 'usage');
  await bench.show('Tariffs');
  await expect(page.getByRole('heading', { name: 'Time-of-day, residential' })).toBeVisible();
  await page.getByRole('combobox', { name: 'From a sample' }).click();
  await page.getByRole('option', { name: 'Day and night' }).click();
  await expect(page.getByRole('heading', { name: 'Day and night' })).toBeVisible();
  // Prices with a comma; one below zero stays where it was typed.
  const day = page.getByLabel('A kWh costs: Day, All year');
  await day.fill('0,2871');
  await day.press('Enter');
  await expect(day).toHaveValue('0.2871');
  const night = page.getByLabel('A kWh costs: Night, All year');
  await night.fill('-0.1');
  await night.press('Tab');
  await expect(page.getByText('Write the amount as 1234.50, not below zero')).toBeVisible();
  await night.press('Escape');
  await page.getByRole('textbox', { name: 'Currency' }).fill('XYZ');
  await page.getByRole('textbox', { name: 'Currency' }).blur();
  await expect(page.getByText('This is no currency of ISO 4217')).toBeVisible();
  await page.getByRole('textbox', { name: 'Currency' }).fill('EUR');
  await page.getByRole('textbox', { name: 'Currency' }).blur();
  await page.getByRole('button', { name: 'Add a band' }).click();
  await page.getByRole('button', { name: 'Add hours' }).click();
  await expect(page.getByRole('img', { name: /Every day|workday/ }).first()).toBeVisible();
  await page.getByRole('combobox', { name: /^Farm service/ }).click();
  await page.getByRole('option', { name: 'Day and night' }).click();
  await passesAxe(page);

  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as a file' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/\.levamen-tariffs\.json$/);
  const text = readFileSync(await download.path(), 'utf8');
  const file = JSON.parse(text) as { tariffs: { name: string; bands: unknown[] }[] };
  expect(file.tariffs.map(({ name }) => name)).toEqual(['Time-of-day, residential', 'Day and night']);
  const pick = (name: string, content: string): Promise<void> =>
    page.locator('lv-tariffs-card input[type=file]').setInputFiles({
      name,
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
  // One at fault is named, the other is read.
  file.tariffs[1]!.bands = [];
  await pick('some.json', JSON.stringify(file));
  const said = page.locator('lv-tariffs-card [role=status]');
  await expect(said).toContainText('Time-of-day, residential: read.');
  await expect(said).toContainText('“Day and night” is left out: bands: Keep at least one band');
  await pick('other.json', '{"format":"levamen-job"}');
  await expect(said).toContainText('This is no file of tariffs');
  await expect(page.locator('lv-tariffs-card .names button')).toHaveCount(3);
  await bench.saved();
  await page.reload();
  await bench.show('Tariffs');
  await expect(page.locator('lv-tariffs-card .names button')).toHaveCount(3);
  // A tariff that goes is taken off its meter.
  await page.locator('lv-tariffs-card .names button', { hasText: 'Day and night' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByRole('combobox', { name: /^Farm service/ })).toHaveText('not said');
});

test('a year with the grid: the bill before and after, line by line, by strategy and by facing', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'A year with the grid', 'daily');
  const stage = page.locator('lv-daily-stage');
  await expect(stage.locator('.answer')).toContainText('saved', { timeout: 60_000 });
  await expect(stage).toContainText(/years are worth/);
  // What the months come to is what the sentence says.
  const cents = (text: string): number => Math.round(Number(text.replace(/[^\d.-]/g, '')) * 100);
  const months = stage.getByRole('region', { name: 'Months of the year' }).locator('tbody tr');
  await expect(months).toHaveCount(12);
  const sentence = (await stage.locator('.answer').textContent())!;
  const [, after, before, saved] = /comes to (\S+) with this design instead of (\S+): (\S+) saved/.exec(
    sentence,
  )!;
  const column = async (of: number): Promise<number> =>
    (await months.locator(`td:nth-of-type(${of})`).allTextContents()).reduce(
      (sum, text) => sum + cents(text),
      0,
    );
  expect(await column(6)).toBe(cents(before!));
  expect(await column(7)).toBe(cents(after!));
  expect(cents(saved!)).toBe(cents(before!) - cents(after!));
  // The lines of a month add up to it.
  await stage.getByText(/^Jan, Farm service/).click();
  const lines = stage.locator('details[open] tbody tr td:last-child');
  const sum = (await lines.allTextContents()).reduce((all, text) => all + cents(text), 0);
  expect(sum).toBe(cents((await months.first().locator('td:nth-of-type(7)').textContent())!));
  await expect(
    stage.getByRole('region', { name: 'The same design by strategy' }).locator('tbody tr'),
  ).toHaveCount(3);
  await expect(
    stage.getByRole('region', { name: 'The same modules by facing' }).locator('tbody tr'),
  ).toHaveCount(3);
  await passesAxe(page);

  await page.getByRole('combobox', { name: 'Day by day the battery' }).click();
  await page.getByRole('option', { name: 'is kept full for outages' }).click();
  const figures = stage.locator('[data-figures]');
  await expect(
    figures
      .getByRole('row', { name: /^Out of the battery/ })
      .locator('td')
      .nth(1),
  ).toHaveText('0 Wh');
  await page.keyboard.press('Control+z');
  await expect(stage.locator('.answer')).toHaveText(sentence);
  await bench.saved();
});
