import { expect, test, type Page } from '@playwright/test';
import { dialogPassesAxe } from './axe';
import { Bench } from './bench';
import { addPhoto, loadedPhoto } from './picture';
import { killServer, startServer } from './server';

test.afterEach(startServer);

const hours = (page: Page) => page.getByRole('textbox', { name: 'Required runtime' });
const setHours = async (page: Page, value: string): Promise<void> => {
  await hours(page).fill(value);
  await hours(page).press('Enter');
};

/** The same job open in two windows; the second hears nothing of what the first saves, until it saves itself. */
async function twoWindows(first: Page, name: string): Promise<Page> {
  const bench = new Bench(first);
  await bench.newJob(name);
  await bench.saved();
  const second = await first.context().newPage();
  await second.route('**/live?*', (route) => route.abort());
  await second.goto(first.url());
  await expect(hours(second)).toBeVisible();
  return second;
}
const lifeYear = (page: Page) => page.getByRole('textbox', { name: 'Year of life to size for' });

test('what two windows change in different places is merged without asking, and undo takes back mine only', async ({
  page,
}) => {
  const second = await twoWindows(page, 'Merged');
  await setHours(page, '30');
  await new Bench(page).saved();
  await lifeYear(second).fill('7');
  await lifeYear(second).press('Enter');
  await expect(
    second.getByText(/changed meanwhile, and it was taken in: brief › required runtime/),
  ).toBeVisible();
  await new Bench(second).saved();
  await expect(hours(second)).toHaveValue('30');
  await second.getByRole('button', { name: /^Undo/ }).click();
  await expect(lifeYear(second)).not.toHaveValue('7');
  await expect(hours(second)).toHaveValue('30');
  await new Bench(second).saved();
  await page.reload();
  await expect(hours(page)).toHaveValue('30');
});

for (const [side, wanted] of [
  ['mine', '50'],
  ['theirs', '30'],
] as const) {
  test(`what two windows change in one place is asked about: ${side}`, async ({ page }) => {
    const second = await twoWindows(page, `Asked, ${side}`);
    await setHours(page, '30');
    await lifeYear(page).fill('7');
    await lifeYear(page).press('Enter');
    await new Bench(page).saved();
    await setHours(second, '50');
    const dialog = second.getByRole('dialog', { name: 'Changed in two places' });
    await expect(dialog).toContainText('brief › required runtime');
    if (side === 'mine') await dialogPassesAxe(second);
    await dialog.getByRole('radio', { name: side === 'mine' ? '50' : '30' }).check();
    await dialog.getByRole('button', { name: 'Save these choices' }).click();
    await expect(hours(second)).toHaveValue(wanted);
    await expect(lifeYear(second)).toHaveValue('7');
    await new Bench(second).saved();
    await page.reload();
    await expect(hours(page)).toHaveValue(wanted);
  });
}

test('leaving at once leaves the list with what was typed', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Left');
  await page.getByLabel('Name of the job').fill('Left at once');
  await page.getByRole('link', { name: 'All jobs' }).click();
  await expect(page.getByRole('link', { name: 'Left at once', exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Left at once', exact: true }).click();
  // The steps of undo are still there.
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByLabel('Name of the job')).toHaveValue('Left');
});

test('the history shows what changed beside now, and brings it back', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('With a history');
  await bench.saved();
  await setHours(page, '30');
  await bench.saved();
  await setHours(page, '50');
  await bench.saved();
  await page.getByRole('button', { name: 'History' }).click();
  const dialog = page.getByRole('dialog', { name: 'History' });
  await dialog
    .getByRole('button', { name: /brief › required runtime/ })
    .last()
    .click();
  await expect(dialog.getByRole('row', { name: 'brief › required runtime 30 50' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Bring this state back' }).click();
  await expect(hours(page)).toHaveValue('30');
  await bench.saved();
});

test('a stage that cannot be fetched because the server is away says so', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Away');
  await bench.saved();
  await page.route('**/*.js', (route) => route.abort());
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Panels' }).click();
  await expect(page.getByText('This stage could not be loaded')).toBeVisible();
  await page.unroute('**/*.js');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.locator('lv-panels-stage section').first()).toBeVisible();
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

test('a photo taken while the server is away is kept, shown, and sent when it is back', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Photographed without a server');
  await page.getByRole('link', { name: 'Photos' }).click();
  await expect(page.getByRole('heading', { name: 'The house' })).toBeVisible();
  await bench.saved();
  await killServer();
  await addPhoto(page, 'the house', 'North wall');
  expect(await loadedPhoto(page, 'Wall')).toEqual([2048, 1365]);
  await expect(page.getByText('1 photo is kept on this device and on the way to the server')).toBeVisible();
  await startServer();
  await expect(page.getByText('on the way to the server')).toBeHidden({ timeout: 40_000 });
  await bench.saved();
  await page.reload();
  expect(await loadedPhoto(page, 'Wall')).toEqual([2048, 1365]);
});
