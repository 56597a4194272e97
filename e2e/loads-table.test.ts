import { expect, test } from '@playwright/test';
import { dialogPassesAxe } from './axe';
import { Bench } from './bench';

test('the table of loads works by keyboard alone', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Keys');
  await bench.addHouse('Essentials only');
  await bench.cell('Refrigerator', 'name').click();
  for (let i = 0; i < 3; i += 1) await page.keyboard.press('ArrowRight');
  // Typing starts to edit, however fast; Enter takes the value and moves down.
  await page.keyboard.type('140');
  await page.keyboard.press('Enter');
  await expect(bench.cell('Refrigerator', 'power')).toHaveText(/140/);
  await expect(bench.cell('Chest freezer', 'power')).toBeFocused();
  // Tab takes the value and moves right; Escape gives it up.
  await page.keyboard.type('99');
  await page.keyboard.press('Tab');
  await expect(bench.cell('Chest freezer', 'power')).toHaveText(/99/);
  await expect(bench.cell('Chest freezer', 'start')).toBeFocused();
  await page.keyboard.type('x9');
  await page.keyboard.press('Escape');
  await expect(bench.cell('Chest freezer', 'start')).toHaveText(/×6/);
  // New row, duplicate, remove, undo.
  const rows = bench.table().locator('tbody tr');
  const count = await rows.count();
  await page.keyboard.press('Insert');
  await expect(rows).toHaveCount(count + 1);
  await page.keyboard.type('Sewing machine');
  await page.keyboard.press('Enter');
  await expect(bench.row('Sewing machine')).toBeVisible();
  await page.keyboard.press('Control+d');
  await expect(rows).toHaveCount(count + 2);
  await page.keyboard.press('Delete');
  await expect(rows).toHaveCount(count + 1);
  await page.keyboard.press('Control+z');
  await expect(rows).toHaveCount(count + 2);
  await page.keyboard.press('Control+Shift+z');
  await expect(rows).toHaveCount(count + 1);
});

test('what cannot be taken stays in its cell beside a message, and the rest goes on', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Mistakes');
  await bench.addHouse('Essentials only');
  const message = page.locator('#load-cell-message');
  for (const [column, text, words] of [
    ['power', '-5', 'at least 0 W'],
    ['power', '9999999', 'at most 50000 W'],
    ['quantity', '1.5', 'whole number'],
    ['hours', '30', 'at most 24 h'],
    ['duty', 'lots', 'not a number'],
    ['start', 'bang', 'Write none'],
    ['name', '', 'Enter a name'],
  ] as const) {
    await bench.type('Chest freezer', column, text);
    await expect(message).toContainText(words);
    if (text !== '')
      await expect(
        bench.row('Chest freezer').or(bench.table()).locator(`td.${column}.refused`),
      ).toContainText(text);
    await page.keyboard.press('F2');
    await page.keyboard.press('Escape');
    await expect(message).toBeEmpty();
  }
  await bench.saved();
});

test('rows are pasted from a spreadsheet, looked at, and taken', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  const bench = new Bench(page);
  await bench.newJob('Pasted');
  await bench.addHouse('Essentials only');
  const rows = await bench.table().locator('tbody tr').count();
  await page.evaluate(() =>
    navigator.clipboard.writeText(
      'Name\tPower kW\tHours\tTier\nKiln\t2,4\t3\tnever\nFish pond\t0.06\t24\tmust\nBroken\tmany\t1\tmay',
    ),
  );
  await bench.cell('Refrigerator', 'name').click();
  await page.keyboard.press('Control+v');
  const dialog = page.getByRole('dialog', { name: 'Rows from a spreadsheet' });
  await expect(dialog).toContainText('2.4\u202fkW, ~ L');
  await dialogPassesAxe(page);
  await expect(dialog).toContainText('left out: watts: “many” is not a number');
  await dialog.getByRole('button', { name: 'Add 2 loads' }).click();
  await expect(bench.table().locator('tbody tr')).toHaveCount(rows + 2);
  await expect(bench.cell('Fish pond', 'inSet')).toContainText('in the backup set');
  await expect(bench.cell('Kiln', 'inSet')).toContainText('not backed up');
});

test('details of a load: code letter, hours by season, legs', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Details');
  await bench.addHouse('Country house with well and oil boiler');
  await bench.cell('Well pump', 'name').click();
  const detail = page.getByRole('region', { name: 'Details of the load' });
  await detail.getByRole('combobox', { name: 'How it starts' }).click();
  await page.getByRole('option', { name: 'Code letter and horsepower' }).click();
  await detail.getByRole('textbox', { name: 'Horsepower' }).fill('1,5');
  await detail.getByRole('textbox', { name: 'Horsepower' }).press('Enter');
  await expect(bench.cell('Well pump', 'start')).toHaveText(/G 1.5 hp/);
  await expect(detail).toContainText('9.45\u202fkVA');
  await detail.getByRole('textbox', { name: 'Summer, Evening' }).fill('9');
  await detail.getByRole('textbox', { name: 'Summer, Evening' }).press('Enter');
  await expect(detail).toContainText('Enter at most 6 h');
  await expect(bench.cell('LED lights, kitchen', 'legs')).toContainText('~');
  await bench.cell('LED lights, kitchen', 'legs').click();
  // Looking at a guess does not confirm it; writing it does.
  await page.keyboard.press('F2');
  await page.keyboard.press('Tab');
  await expect(bench.cell('LED lights, kitchen', 'legs')).toContainText('~');
  await bench.cell('LED lights, kitchen', 'legs').click();
  await page.keyboard.type('2');
  await page.keyboard.press('Enter');
  await expect(bench.cell('LED lights, kitchen', 'legs')).toHaveText('L2');
});

test('the library adds one load after the other', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Library', 'Three phase 230/400 V');
  await bench.goTo('Loads');
  await page.getByRole('button', { name: 'Typical loads' }).first().click();
  await page.getByLabel('Search the typical loads').fill('pump');
  await page.getByRole('button', { name: 'Add Sump pump, ⅓ hp' }).click();
  await page.getByRole('button', { name: 'Add Hydronic heat pump, inverter-driven' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'Added: Sump pump' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(bench.cell('Hydronic heat pump', 'legs')).toContainText('L1-L2-L3');
});
