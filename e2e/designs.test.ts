import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';
import type { Bench } from './bench';
import { copyOfTheFarm } from './farm-copy';

test('designs stand beside each other, are copied, named and chosen; edits are those of the one that is looked at', async ({
  page,
}) => {
  const bench: Bench = await copyOfTheFarm(page, 'Several designs', 'sources');
  const lookedAt = page.getByLabel('Design that is looked at');
  await expect(lookedAt.locator('option')).toHaveText([
    'Design (chosen)',
    'With a generator at an inlet',
    'What the search takes',
  ]);
  await expect(bench.margin('starting')).toContainText('fails');
  await lookedAt.selectOption({ label: 'What the search takes' });
  await expect(bench.margin('starting')).toContainText('holds');
  await page.getByRole('link', { name: 'Designs of this job: 3' }).click();

  const table = page.getByRole('region', { name: 'Designs beside each other' });
  const row = (name: string) => table.getByRole('row', { name: new RegExp(`^${name}`) });
  await expect(row('Units').getByRole('cell')).toHaveText([
    '2 × Madder 47 + 2 × Madder pack',
    '2 × Madder 47 + 2 × Madder pack',
    '2 × Yarrow 79',
  ]);
  await expect(row('Summer').getByRole('cell').last()).toContainText('≥ 72 h', { timeout: 60_000 });
  await expect(row('Runtime').getByRole('cell').first()).toContainText('holds');
  // The same price as Sources says, and to the cent what the difference comes to.
  const cents = async (name: string): Promise<number[]> =>
    (await row(name).getByRole('cell').allTextContents()).map((text) =>
      Math.round(Number(text.replace(/[^\d.-]/g, '')) * 100),
    );
  const [first, second, third] = await cents('With fees and taxes');
  const [, second2, third2] = await cents('More than the one before');
  expect(second2).toBe(second! - first!);
  expect(third2).toBe(third! - second!);
  await passesAxe(page);

  await expect(row('Comfort served').getByRole('cell').last()).toContainText('%', { timeout: 60_000 });
  await expect(row('Electricity').getByRole('cell').first()).toContainText('CA$');
  const two = page.getByRole('region', { name: 'One outage, two designs' });
  await expect(two.getByRole('img', { name: /lowest charge .*; With a generator at an inlet/ })).toBeVisible({
    timeout: 30_000,
  });
  // A figure opens to its working.
  await row('Continuous power').getByRole('button').first().click();
  await expect(page.getByRole('complementary', { name: 'Working' })).toBeVisible();
  await page.keyboard.press('Escape');

  await table.getByRole('button', { name: 'Copy What the search takes' }).click();
  await expect(lookedAt).toHaveValue(/.+/);
  const name = table.getByRole('textbox', { name: 'Name' }).nth(3);
  await name.fill('On batteries alone');
  await table.getByRole('button', { name: 'Choose On batteries alone' }).click();
  await table.getByRole('button', { name: 'Remove With a generator at an inlet' }).click();
  await bench.saved();
  await page.reload();
  await expect(lookedAt.locator('option')).toHaveText([
    'Design',
    'What the search takes',
    'On batteries alone (chosen)',
  ]);
  await page.keyboard.press('Control+z');
  await expect(lookedAt.locator('option')).toHaveCount(4);

  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Sources' }).click();
  const cost = page.getByRole('region', { name: 'What it costs' });
  await expect(cost).toContainText('with fees and taxes');
  // Once it is wired, every part of it has a price.
  await expect(cost).not.toContainText('≈', { timeout: 60_000 });
  await expect(cost).not.toContainText('without a price');
  await cost.getByText(/ lines$/).click();
  await expect(cost.getByRole('row', { name: /Circuit moved/ })).toContainText('13 × 0.6 h × 105');
});

test('prices are entered by supplier, pasted, and kept with their revision', async ({ page }) => {
  await page.goto('/equipment/prices');
  const lists = page.getByRole('region', { name: 'Price lists' });
  const price = lists.getByRole('textbox', { name: /^Madder 47, Northern/ });
  await expect(price).toHaveValue('9850');
  await passesAxe(page);
  await price.fill('much');
  await price.press('Enter');
  await expect(page.getByText('Write the amount as 1234.50, not below zero')).toBeVisible();
  await price.fill('9,990.50');
  await price.press('Enter');
  await expect(price).toHaveValue('9990.50');
  await lists.getByText('Prices from a table').click();
  await page
    .getByLabel('Or paste rows')
    .fill('Supplier,Item,Net\nOther (invented),Woad 93,6500\nOther (invented),Toaster,20');
  await expect(page.getByText('“Toaster” is not in the equipment')).toBeVisible();
  await page.getByRole('button', { name: 'Take 1 prices' }).click();
  await expect(lists.getByRole('textbox', { name: 'Woad 93, Other (invented)' })).toHaveValue('6500');
  await page.getByRole('button', { name: 'Add an incentive' }).click();
  await page.getByRole('group', { name: 'Incentive', exact: true }).getByRole('combobox').press('ArrowDown');
  await page.getByRole('option', { name: 'each kWh, by steps' }).click();
  await passesAxe(page);
  // What is entered outlives a reload; nothing is saved here: other tests design with these prices.
  await page.reload();
  await expect(price).toHaveValue('9990.50');
  await page.getByRole('button', { name: 'Discard' }).click();
  await expect(price).toHaveValue('9850');
});

test('the front of price: what each step buys, where it is enough, and a design of each', async ({
  page,
}) => {
  test.setTimeout(500_000);
  const bench: Bench = await copyOfTheFarm(page, 'Most for the money', 'options');
  const options = page.getByRole('region', { name: 'Most for the money' });
  await expect(options.getByRole('status')).toContainText('passed over', { timeout: 60_000 });
  await expect(options.getByRole('row').nth(1)).toBeVisible();
  await options.getByRole('button', { name: 'Stop' }).click();
  await expect(options.getByRole('status')).toContainText('Stopped');
  const front = options.getByRole('region', { name: 'The front, cheapest first' });
  // What the brief does not want is in no candidate.
  await options.getByRole('button', { name: 'Search' }).click();
  await expect(front).toContainText('generator', { timeout: 150_000 });
  await options.getByRole('combobox', { name: 'Generator' }).click();
  await page.getByRole('option', { name: 'not wanted' }).click();
  await expect(front).not.toContainText('generator', { timeout: 150_000 });
  // Nor what costs more than it allows: what is dearer is not even simulated.
  const most = options.getByRole('textbox', { name: 'May cost at most' });
  await most.fill('51000');
  await most.press('Enter');
  await expect(options.getByRole('status')).toContainText(/For comfort \d+ were simulated\.$/, {
    timeout: 200_000,
  });
  // Dearer and better, line by line, whatever is looked at.
  const numbers = async (column: number): Promise<number[]> =>
    (await front.locator(`tbody tr td:nth-child(${column})`).allTextContents()).map((text) =>
      Number(text.replace(/[^\d.]/g, '')),
    );
  for (const [objective, column] of [
    ['Chance', 4],
    ['Comfort', 5],
    ['Hours', 3],
  ] as const) {
    await options.getByRole('button', { name: objective }).click();
    // The rows of the choice before may stand for a moment.
    await expect(async () => {
      expect(Math.max(...(await numbers(2)))).toBeLessThanOrEqual(51_000);
      for (const one of [2, column]) {
        const values = await numbers(one);
        expect(values.length).toBeGreaterThan(1);
        expect(values).toEqual(values.toSorted((a, b) => a - b));
      }
    }).toPass({ timeout: 10_000 });
  }
  await expect(options).toContainText(/is the cheapest that lasts 28.h/);
  await expect(options.locator('[data-free] tbody tr').first()).toBeVisible({ timeout: 60_000 });
  await passesAxe(page);
  // The front is walked by keys, and a point made a design with Enter.
  await options.getByRole('group', { name: /^The front/ }).focus();
  await page.keyboard.press('End');
  const count = await front.locator('tbody tr').count();
  await expect(options.locator('[data-walked]')).toContainText(`${count} of ${count}: `);
  await page.keyboard.press('ArrowLeft');
  await expect(options.locator('[data-walked]')).toContainText(`${count - 1} of ${count}: `);
  const enough = front.getByRole('row').filter({ hasText: 'enough' }).first();
  await enough.getByRole('button', { name: 'as a design of its own' }).click();
  const table = page.getByRole('region', { name: 'Designs beside each other' });
  await expect(table.getByRole('textbox', { name: 'Name' })).toHaveCount(4);
  await bench.saved();
});
