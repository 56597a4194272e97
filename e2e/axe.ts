import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

const levels = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

/** Only what is wrong is written down: of a large page, what is right is most of the work. */
const axe = (page: Page): AxeBuilder => new AxeBuilder({ page }).options({ resultTypes: ['violations'] });

/** Within the page itself, which holds no frames: what is gathered is not carried through a page of its own. */
const violationsOf = async (of: AxeBuilder): Promise<string[]> => {
  const { violations } = await of.setLegacyMode(true).analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
  );
};

/** What fades or changes colour has the contrast of neither state until it stands, however busy the machine is. */
const standsStill = async (page: Page): Promise<void> => {
  await page.waitForTimeout(300);
  await page.evaluate(async () => {
    const passing = document
      .getAnimations()
      .filter(({ effect }) => effect?.getComputedTiming().endTime !== Infinity);
    await Promise.allSettled(passing.map(({ finished }) => finished));
  });
};

/**
 * Light and dark: a view is brought up once, and its colours are changed. In the dark only they differ.
 *
 * @param dark false where the same view is seen in the dark elsewhere
 */
export const passesAxe = async (page: Page, dark = true): Promise<void> => {
  await standsStill(page);
  // As another window of the same device would switch it.
  const switchTo = (scheme: 'light' | 'dark'): Promise<boolean> =>
    page.evaluate(
      (newValue) => window.dispatchEvent(new StorageEvent('storage', { key: 'levamen.scheme', newValue })),
      scheme,
    );
  expect(await violationsOf(axe(page).withTags(levels))).toEqual([]);
  if (!dark) return;
  await switchTo('dark');
  await expect(page.locator('html')).toHaveClass(/ink-dark/);
  await standsStill(page);
  expect(await violationsOf(axe(page).withRules(['color-contrast']))).toEqual([]);
  await switchTo('light');
  await expect(page.locator('html')).not.toHaveClass(/ink-dark/);
};

/** At 200 %, where sizes and places differ, and colours do not. */
export const enlargedPassesAxe = async (page: Page): Promise<void> => {
  await standsStill(page);
  expect(await violationsOf(axe(page).withTags(levels).disableRules(['color-contrast']))).toEqual([]);
};

/** A dialog as it stands open, on a usual screen and at 200 %. */
export async function dialogPassesAxe(page: Page): Promise<void> {
  const before = page.viewportSize()!;
  await passesAxe(page);
  await page.setViewportSize({ width: before.width / 2, height: before.height / 2 });
  await enlargedPassesAxe(page);
  await page.setViewportSize(before);
}
