import { expect, test } from '@playwright/test';
import { enlargedPassesAxe, passesAxe as check } from './axe';
import { Bench } from './bench';
import { forbiddenOn } from './policy';

// A view is looked at by itself: they do not wait for each other.
test.describe.configure({ mode: 'parallel' });

// In the dark, views with colours of their own; the others are made of the same papers, inks and rules.
test('every view of the house passes axe, light and dark', async ({ page }) => {
  // A dozen analyses of large pages, on a machine that may be busy.
  test.setTimeout(400_000);
  const forbidden = await forbiddenOn(page);
  const bench = new Bench(page);
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: /^Delete / }).first()).toBeVisible();
  await check(page);
  await page.getByRole('link', { name: /quick answer/ }).click();
  await expect(page.locator('[data-quick=energy]')).toBeVisible();
  await check(page, false);
  await bench.open('Farmhouse above the harbour');
  await check(page);
  await page.getByRole('link', { name: 'Open points' }).click();
  await expect(page.locator('tr[lv-open-point-row]').first()).toBeVisible();
  await check(page, false);
  await page.getByRole('link', { name: 'Photos' }).click();
  await expect(page.getByRole('heading', { name: 'The house' })).toBeVisible();
  await check(page, false);
  await page.getByRole('button', { name: 'History' }).click();
  await page.getByRole('button', { name: /the job as it began/ }).click();
  await expect(page.getByText('beside now')).toBeVisible();
  await check(page, false);
  await page.keyboard.press('Escape');
  await bench.goTo('Usage');
  await expect(page.locator('lv-bills-card svg')).toBeVisible();
  await check(page);
  await bench.show('Meter data');
  await expect(page.getByRole('heading', { name: 'Channels' })).toBeVisible();
  await expect(page.locator('lv-usage-charts svg').first()).toBeVisible();
  await check(page);
  await bench.show('Outages');
  await check(page, false);
  await bench.show('Live');
  await page.getByRole('button', { name: 'Read it live' }).click();
  await expect(page.getByRole('rowheader', { name: 'Well pump' })).toBeVisible();
  await check(page);
  await bench.goTo('Panels');
  for (const side of ['Circuit', 'Panel', /^Findings/, 'Legs', 'Sensors']) {
    await page
      .getByRole('button', { name: side, exact: typeof side === 'string' })
      .first()
      .click();
    // In the dark, where colours of its own stand.
    await check(page, side === 'Legs');
  }
  await bench.goTo('Loads');
  await bench.cell('Well pump', 'name').click();
  await expect(page.locator('lv-demand-chart svg')).toBeVisible();
  await bench.margin('starting').click();
  await check(page);
  await page.getByRole('button', { name: 'Close the working' }).click();
  await page.getByRole('button', { name: 'Typical loads' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check(page, false);
  await page.keyboard.press('Escape');
  expect(forbidden).toEqual([]);
});

test('every view of the design passes axe, light and dark', async ({ page }) => {
  test.setTimeout(400_000);
  const forbidden = await forbiddenOn(page);
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await bench.goTo('Backup set');
  await page.locator('[data-item="cellar-5"]').click();
  for (const side of ['Circuit', /^Services/, 'Suggest', 'Mend', 'Power']) {
    await page
      .getByRole('button', { name: side, exact: typeof side === 'string' })
      .first()
      .click();
    if (side === 'Power') await expect(page.locator('lv-backup-stage svg').first()).toBeVisible();
    await check(page, side === 'Power');
  }
  await bench.goTo('Sources');
  await page.getByRole('button', { name: 'Change the units' }).click();
  await page.getByText('Why each').click();
  await check(page);
  await bench.goTo('Outage');
  await expect(page.locator('lv-play-view svg').first()).toBeVisible({ timeout: 30_000 });
  await check(page);
  for (const [part, sign] of [
    ['Year', 'lv-year-view table'],
    ['Drill', 'lv-drill-view [data-state]'],
    ['Conditions', 'lv-conditions-view'],
  ] as const) {
    await bench.show(part);
    await expect(page.locator(sign).first()).toBeVisible();
    await check(page, part === 'Year');
  }
  // What helps and what the chances are takes long to work out: outage.test.ts looks at them where they stand.
  await bench.show('Reserve');
  await expect(page.locator('lv-reserve-view svg').first()).toBeVisible({ timeout: 90_000 });
  await check(page, false);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible();
  await check(page, false);
  expect(forbidden).toEqual([]);
});

test('every stage and dialog passes axe at 200 %', async ({ page }) => {
  test.setTimeout(200_000);
  const bench = new Bench(page);
  await page.setViewportSize({ width: 640, height: 400 });
  const dialog = async (open: () => Promise<void>): Promise<void> => {
    await open();
    await expect(page.getByRole('dialog')).toBeVisible();
    await enlargedPassesAxe(page);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  const press = (name: string | RegExp) => () =>
    page.getByRole('button', { name, exact: true }).first().click();
  await page.goto('/jobs');
  await enlargedPassesAxe(page);
  await bench.open('Row house by the vineyard');
  await enlargedPassesAxe(page);
  await dialog(() => page.keyboard.press('Control+k'));
  await dialog(() => page.keyboard.press('Control+/'));
  await dialog(press('History'));
  for (const name of ['Open points', 'Photos']) {
    await page.getByRole('link', { name }).click();
    await enlargedPassesAxe(page);
  }
  await bench.goTo('Usage');
  await press('Paste or import')();
  await enlargedPassesAxe(page);
  await bench.goTo('Panels');
  await expect(bench.space(4)).toBeVisible();
  await enlargedPassesAxe(page);
  await dialog(press('Paste or import'));
  await bench.goTo('Loads');
  await expect(bench.table()).toBeVisible();
  await enlargedPassesAxe(page);
  await dialog(press('Typical loads'));
  await bench.goTo('Backup set');
  await expect(page.locator('[data-item]').first()).toBeVisible();
  await enlargedPassesAxe(page);
  await bench.goTo('Sources');
  await enlargedPassesAxe(page);
  await bench.goTo('Outage');
  await expect(page.locator('lv-play-view svg').first()).toBeVisible({ timeout: 30_000 });
  await enlargedPassesAxe(page);
});

test('works at tablet width and at 200 % zoom without losing the margins', async ({ page }) => {
  const bench = new Bench(page);
  for (const width of [1024, 640]) {
    await page.setViewportSize({ width, height: width === 640 ? 400 : 768 });
    await bench.open('Row house by the vineyard');
    await bench.goTo('Loads');
    await expect(bench.table()).toBeVisible();
    await expect(bench.margin('runtime')).toBeInViewport();
    await bench.goTo('Panels');
    await expect(bench.space(4)).toBeVisible();
    await expect(bench.margin('runtime')).toBeInViewport();
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
  }
});
