import { expect, type Page, test } from '@playwright/test';
import { Bench } from './bench';

/** Parts of the page in sight that fingers are meant for, and that are smaller than a finger. */
const tooSmall = (page: Page, within: string): Promise<string[]> =>
  page.evaluate((where) => {
    const targets = document.querySelectorAll<HTMLElement>(
      `${where} :is(button, a.tool, select, input:not([type=checkbox], [type=file]), [role=gridcell], [role=combobox])`,
    );
    return [...targets].flatMap((target) => {
      const { height, width } = target.getBoundingClientRect();
      if (height === 0 || width === 0 || target.closest('.visually-hidden')) return [];
      // Figures and words inside a sentence are set with it.
      if (target.closest('p, dd, li, lv-figure-button, .p-checkbox, .p-select')) return [];
      return height < 43.5 ? [`${target.tagName} ${target.textContent?.trim().slice(0, 30)} ${height}`] : [];
    });
  }, within);

test.describe('on a tablet', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true, isMobile: true });

  test('what fingers go for is as wide as a finger, and the work fits the screen', async ({ page }) => {
    const bench = new Bench(page);
    await bench.open('Farmhouse above the harbour');
    for (const stage of ['Panels', 'Loads', 'Backup set', 'Sources'] as const) {
      await bench.goTo(stage);
      await expect(page.locator('main').getByRole('button').first()).toBeVisible();
      expect(await tooSmall(page, 'main'), stage).toEqual([]);
      // Nothing runs out of the page at the side.
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(1024);
    }
    // Bench and details of a circuit are on the screen together.
    await bench.goTo('Backup set');
    await page.locator('[data-item]').first().tap();
    const detail = page.locator('lv-item-detail');
    await expect(detail).toBeInViewport({ ratio: 0.5 });
    await expect(page.locator('lv-bench')).toBeInViewport();
  });
});

test.describe('at 200 %', () => {
  test.use({ viewport: { width: 640, height: 400 } });

  test('the margins stand in one line, verdict first, and nothing covers the work', async ({ page }) => {
    const bench = new Bench(page);
    await bench.open('Farmhouse above the harbour');
    const strip = page.locator('lv-margin-strip');
    const runtime = bench.margin('runtime');
    await expect(runtime).toContainText('holds');
    const boxes = await Promise.all(
      [strip, page.locator('main'), runtime.locator('lv-verdict-mark'), runtime.locator('.name')].map((one) =>
        one.boundingBox(),
      ),
    );
    const [stripBox, mainBox, verdict, name] = boxes.map((box) => box!);
    expect(stripBox!.height).toBeLessThan(60);
    expect(mainBox!.y + mainBox!.height).toBeLessThanOrEqual(stripBox!.y + 1);
    expect(verdict!.x).toBeLessThan(name!.x);
  });
});
