import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { dialogPassesAxe } from './axe';
import { Bench } from './bench';
import { addPhoto as add, loadedPhoto as loaded, picture } from './picture';

const rail = (page: Page) => page.getByRole('navigation', { name: 'Stages' });

test('a photo of a load is scaled down, kept beside the job, and follows it into a ZIP file and back', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.newJob('Photographed');
  await bench.addHouse('Essentials only');
  const choose = () => bench.table().getByRole('row').nth(1).getByRole('gridcell').nth(1).click();
  await choose();
  const load = 'Refrigerator';
  // The details of what was chosen before may stand for a moment.
  await expect(page.getByRole('heading', { level: 3 }).first()).toHaveText(new RegExp(load));
  await add(page, load, 'Nameplate');
  expect(await loaded(page, 'Nameplate')).toEqual([2048, 1365]);
  await page.getByRole('button', { name: 'Look at Nameplate' }).click();
  const dialog = page.getByRole('dialog', { name: new RegExp(`Photo 1 of 1 · ${load}`) });
  await dialog.getByRole('textbox', { name: 'Caption' }).fill('Read with a lamp');
  await dialog.getByRole('textbox', { name: 'Caption' }).press('Enter');
  await dialogPassesAxe(page);
  await page.keyboard.press('Escape');
  await bench.saved();

  await page.reload();
  await choose();
  expect(await loaded(page, 'Read with a lamp')).toEqual([2048, 1365]);
  await rail(page).getByRole('link', { name: 'Photos' }).click();
  await expect(page.getByRole('heading', { name: load })).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save job and photos' }).click();
  const file = await (await saving).path();
  await page.goto('/jobs');
  await page.getByLabel(/Import a .levamen/).setInputFiles({
    name: 'Photographed.levamen.zip',
    mimeType: 'application/zip',
    buffer: await readFile(file),
  });
  await expect(page.getByLabel('Name of the job')).toHaveValue('Photographed');
  await rail(page).getByRole('link', { name: 'Photos' }).click();
  expect(await loaded(page, 'Read with a lamp')).toEqual([2048, 1365]);
});

test('removing a photo can be undone; a file that is no picture is named', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Photographed twice');
  await rail(page).getByRole('link', { name: 'Photos' }).click();
  await page
    .getByLabel('Add photos of the house')
    .setInputFiles([
      await picture(page, 'One'),
      { name: 'letter.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('Dear all') },
      await picture(page, 'Two'),
    ]);
  await expect(page.getByRole('button', { name: 'Look at Wall' })).toHaveCount(2);
  await expect(page.getByRole('alert')).toContainText('letter.jpg: This cannot be read as a picture here');
  await page.getByRole('button', { name: 'Look at Wall' }).first().click();
  await page.getByRole('button', { name: 'Remove the photo' }).click();
  await expect(page.getByRole('dialog')).toContainText('Photo 1 of 1');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('button', { name: 'Look at Wall' })).toHaveCount(1);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByRole('button', { name: 'Look at Wall' })).toHaveCount(2);
});

test('a photo that waits is sent after a reload, whatever is looked at', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Photographed out of reach');
  await rail(page).getByRole('link', { name: 'Photos' }).click();
  await expect(page.getByRole('heading', { name: 'The house' })).toBeVisible();
  await page.route('**/photos/*', (route) => route.abort());
  await add(page, 'the house', 'Roof');
  await expect(page.getByText('1 photo is kept on this device')).toBeVisible();
  await bench.saved();
  await page.unroute('**/photos/*');
  const sent = page.waitForResponse(
    (response) => response.request().method() === 'PUT' && response.url().includes('/photos/'),
  );
  await page.goto(page.url().replace(/photos$/, 'brief'));
  expect((await sent).status()).toBe(204);
});
