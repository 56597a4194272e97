import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { Bench } from './bench';

const levels = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

const violationsOf = async (axe: AxeBuilder): Promise<string[]> => {
  const { violations } = await axe.analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
  );
};

/** Light and dark: a view is brought up once, and its colours are changed. In the dark only they differ. */
const check = async (page: Page): Promise<void> => {
  // A dialog that is still fading in has the contrast of neither state.
  await page.waitForTimeout(700);
  // As another window of the same device would switch it.
  const switchTo = (scheme: 'light' | 'dark'): Promise<boolean> =>
    page.evaluate(
      (newValue) => window.dispatchEvent(new StorageEvent('storage', { key: 'levamen.scheme', newValue })),
      scheme,
    );
  expect(await violationsOf(new AxeBuilder({ page }).withTags(levels))).toEqual([]);
  await switchTo('dark');
  await expect(page.locator('html')).toHaveClass(/ink-dark/);
  await page.waitForTimeout(400);
  expect(await violationsOf(new AxeBuilder({ page }).withRules(['color-contrast']))).toEqual([]);
  await switchTo('light');
};

test('every view passes axe, light and dark', async ({ page }) => {
  // A dozen analyses of large pages, on a machine that may be busy.
  test.setTimeout(400_000);
  const bench = new Bench(page);
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: /^Delete / }).first()).toBeVisible();
  await check(page);
  await page.getByRole('link', { name: /quick answer/ }).click();
  await expect(page.locator('[data-quick=energy]')).toBeVisible();
  await check(page);
  await bench.open('Farmhouse above the harbour');
  await check(page);
  await page.getByRole('link', { name: 'Open points' }).click();
  await expect(page.locator('tr[lv-open-point-row]').first()).toBeVisible();
  await check(page);
  await page.getByRole('link', { name: 'Photos' }).click();
  await expect(page.getByRole('heading', { name: 'The house' })).toBeVisible();
  await check(page);
  await page.getByRole('button', { name: 'History' }).click();
  await page.getByRole('button', { name: /the job as it began/ }).click();
  await expect(page.getByText('beside now')).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await bench.goTo('Usage');
  await expect(page.locator('lv-bills-card svg')).toBeVisible();
  await check(page);
  await bench.show('Meter data');
  await expect(page.getByRole('heading', { name: 'Channels' })).toBeVisible();
  await expect(page.locator('lv-usage-charts svg').first()).toBeVisible();
  await check(page);
  await bench.show('Outages');
  await check(page);
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
    await check(page);
  }
  await bench.goTo('Loads');
  await bench.cell('Well pump', 'name').click();
  await expect(page.locator('lv-demand-chart svg')).toBeVisible();
  await bench.margin('starting').click();
  await check(page);
  await page.getByRole('button', { name: 'Close the working' }).click();
  await page.getByRole('button', { name: 'Typical loads' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check(page);
  await page.keyboard.press('Escape');
  await bench.goTo('Backup set');
  await page.locator('[data-item="cellar-5"]').click();
  for (const side of ['Circuit', /^Wiring/, 'Suggest', 'Mend', 'Power']) {
    await page
      .getByRole('button', { name: side, exact: typeof side === 'string' })
      .first()
      .click();
    if (side === 'Power') await expect(page.locator('lv-backup-stage svg').first()).toBeVisible();
    await check(page);
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
    await check(page);
  }
  for (const [part, sign] of [
    ['What helps', 'lv-help-view tbody tr'],
    ['Reserve', 'lv-reserve-view svg'],
    ['Chances', 'lv-chances-view svg'],
  ] as const) {
    await bench.show(part);
    await expect(page.locator(sign).first()).toBeVisible({ timeout: 90_000 });
    await check(page);
  }
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible();
  await check(page);
});

test('every stage and dialog passes axe at 200 %', async ({ page }) => {
  test.setTimeout(200_000);
  const bench = new Bench(page);
  await page.setViewportSize({ width: 640, height: 400 });
  const checkThis = async (): Promise<void> => {
    await page.waitForTimeout(500);
    expect(await violationsOf(new AxeBuilder({ page }).withTags(levels))).toEqual([]);
  };
  const dialog = async (open: () => Promise<void>): Promise<void> => {
    await open();
    await expect(page.getByRole('dialog')).toBeVisible();
    await checkThis();
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  const press = (name: string | RegExp) => () =>
    page.getByRole('button', { name, exact: true }).first().click();
  await page.goto('/jobs');
  await checkThis();
  await bench.open('Row house by the vineyard');
  await checkThis();
  await dialog(() => page.keyboard.press('Control+k'));
  await dialog(() => page.keyboard.press('Control+/'));
  await dialog(press('History'));
  for (const name of ['Open points', 'Photos']) {
    await page.getByRole('link', { name }).click();
    await checkThis();
  }
  await bench.goTo('Usage');
  await press('Paste or import')();
  await checkThis();
  await bench.goTo('Panels');
  await expect(bench.space(4)).toBeVisible();
  await checkThis();
  await dialog(press('Paste or import'));
  await bench.goTo('Loads');
  await expect(bench.table()).toBeVisible();
  await checkThis();
  await dialog(press('Typical loads'));
  await bench.goTo('Backup set');
  await expect(page.locator('[data-item]').first()).toBeVisible();
  await checkThis();
  await bench.goTo('Sources');
  await checkThis();
  await bench.goTo('Outage');
  await expect(page.locator('lv-play-view svg').first()).toBeVisible({ timeout: 30_000 });
  await checkThis();
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
