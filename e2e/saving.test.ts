import { expect, test, type Page } from '@playwright/test';
import { Bench } from './bench';
import { killServer, startServer } from './server';

test.afterEach(startServer);

const hours = (page: Page) => page.getByRole('textbox', { name: 'Required runtime' });
const setHours = async (page: Page, value: string): Promise<void> => {
  await hours(page).fill(value);
  await hours(page).press('Enter');
};

/** The same job open in two windows, with an edit in each; the second one meets the conflict. */
async function collide(first: Page, name: string): Promise<{ mine: Page; theirs: Page }> {
  const bench = new Bench(first);
  await bench.newJob(name);
  await bench.saved();
  const second = await first.context().newPage();
  await second.goto(first.url());
  await expect(hours(second)).toBeVisible();
  await setHours(first, '30');
  await bench.saved();
  await setHours(second, '50');
  await expect(second.getByRole('dialog', { name: 'Changed elsewhere' })).toBeVisible();
  return { mine: second, theirs: first };
}

test('a conflict in two windows: keep mine', async ({ page }) => {
  const { mine, theirs } = await collide(page, 'Conflict, mine');
  await mine.getByRole('button', { name: 'Keep mine' }).click();
  await new Bench(mine).saved();
  await theirs.reload();
  await expect(hours(theirs)).toHaveValue('50');
});

test('a conflict in two windows: take theirs, and undo brings mine back', async ({ page }) => {
  const { mine } = await collide(page, 'Conflict, theirs');
  await mine.getByRole('button', { name: 'Take theirs' }).click();
  await expect(hours(mine)).toHaveValue('30');
  await mine.getByRole('button', { name: /^Undo/ }).click();
  await expect(hours(mine)).toHaveValue('50');
  await new Bench(mine).saved();
});

test('a conflict in two windows: see what differs, field by field', async ({ page }) => {
  const { mine, theirs } = await collide(page, 'Conflict, mix');
  const dialog = mine.getByRole('dialog', { name: 'Changed elsewhere' });
  await dialog.getByRole('button', { name: 'See what differs' }).click();
  await expect(dialog).toContainText('brief › required runtime h');
  await dialog.getByRole('radio', { name: '30' }).check();
  await dialog.getByRole('button', { name: 'Save this choice of fields' }).click();
  await expect(hours(mine)).toHaveValue('30');
  await new Bench(mine).saved();
  await theirs.reload();
  await expect(hours(theirs)).toHaveValue('30');
});

test('the server is killed and started again while somebody types: nothing is lost', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Power cut');
  await bench.saved();
  await killServer();
  await setHours(page, '61');
  await expect(page.locator('lv-save-mark')).toContainText('kept on this device');
  await page.getByRole('textbox', { name: 'Year of life to size for' }).fill('7');
  await page.getByRole('textbox', { name: 'Year of life to size for' }).press('Enter');
  await startServer();
  await bench.saved();
  await page.reload();
  await expect(hours(page)).toHaveValue('61');
  await expect(page.getByRole('textbox', { name: 'Year of life to size for' })).toHaveValue('7');
});

test('a page closed while the server is away takes its edits up again', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Closed lid');
  await bench.saved();
  const address = page.url();
  await killServer();
  await setHours(page, '72');
  await expect(page.locator('lv-save-mark')).toContainText('kept on this device');
  const context = page.context();
  await page.close();
  await startServer();
  const again = await context.newPage();
  await again.goto(address);
  await expect(again.getByText('taken up again')).toBeVisible();
  await expect(hours(again)).toHaveValue('72');
  await new Bench(again).saved();
});
