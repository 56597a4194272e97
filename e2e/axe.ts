import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

const levels = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];

const violationsOf = async (axe: AxeBuilder): Promise<string[]> => {
  const { violations } = await axe.analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`,
  );
};

/**
 * Light and dark: a view is brought up once, and its colours are changed. In the dark only they differ.
 *
 * @param dark false where the same view is seen in the dark elsewhere
 */
export const passesAxe = async (page: Page, dark = true): Promise<void> => {
  // A dialog that is still fading in has the contrast of neither state.
  await page.waitForTimeout(500);
  // As another window of the same device would switch it.
  const switchTo = (scheme: 'light' | 'dark'): Promise<boolean> =>
    page.evaluate(
      (newValue) => window.dispatchEvent(new StorageEvent('storage', { key: 'levamen.scheme', newValue })),
      scheme,
    );
  expect(await violationsOf(new AxeBuilder({ page }).withTags(levels))).toEqual([]);
  if (!dark) return;
  await switchTo('dark');
  await expect(page.locator('html')).toHaveClass(/ink-dark/);
  await page.waitForTimeout(250);
  expect(await violationsOf(new AxeBuilder({ page }).withRules(['color-contrast']))).toEqual([]);
  await switchTo('light');
};

/** A dialog as it stands open, on a usual screen and at 200 %. */
export async function dialogPassesAxe(page: Page): Promise<void> {
  const before = page.viewportSize()!;
  await passesAxe(page);
  await page.setViewportSize({ width: before.width / 2, height: before.height / 2 });
  await passesAxe(page);
  await page.setViewportSize(before);
}
