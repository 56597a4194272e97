import { readFile, writeFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { Bench } from './bench';

test('a new user sizes a system: starter set, pump, stack, reload, export, import', async ({
  page,
}, info) => {
  const bench = new Bench(page);
  await bench.newJob('Mill house');
  await expect(bench.margin('runtime')).toContainText('not yet known');
  await bench.addHouse('Country house with well and oil boiler');
  await expect(bench.margin('runtime')).toContainText(/holds|tight|fails/);

  // A harder start of the pump shows in the margin at once.
  const starting = bench.margin('starting');
  const before = await starting.locator('.figures').textContent();
  await bench.type('Well pump, ¾ hp', 'start', '75 A');
  await expect(starting.locator('.figures')).not.toHaveText(before!);
  await expect(starting).toContainText('Well pump');
  await expect(bench.cell('Well pump, ¾ hp', 'start')).toHaveText(/75 A/);

  // Out of the backup set and back, by keyboard.
  await expect(bench.margin('runtime')).toHaveAttribute('data-simulated', 'true');
  const runtime = await bench.margin('runtime').locator('.figures').textContent();
  await bench.cell('Chest freezer', 'name').click();
  await page.keyboard.press('Space');
  await expect(bench.margin('runtime').locator('.figures')).not.toHaveText(runtime!);
  await page.keyboard.press('Space');
  await expect(bench.margin('runtime').locator('.figures')).toHaveText(runtime!);

  // Pick the second stack that meets it.
  await bench.goTo('Sources');
  const second = page.locator('section', { hasText: 'Stacks that meet it' }).getByRole('row').nth(2);
  const name = (await second.getByRole('cell').first().textContent())!.trim();
  await second.getByRole('button', { name: /^Use/ }).click();
  await expect(page.getByRole('heading', { name: 'Your choice' })).toBeVisible();
  await expect(page.locator('p.stack')).toHaveText(name);
  await bench.saved();

  await page.reload();
  await expect(page.locator('p.stack')).toHaveText(name);
  await bench.goTo('Loads');
  await expect(bench.cell('Well pump, ¾ hp', 'start')).toHaveText(/75 A/);

  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Export' }).click();
  const file = info.outputPath('mill.levamen.json');
  await (await download).saveAs(file);
  const exported = JSON.parse(await readFile(file, 'utf8')) as { name: string; format: string };
  expect(exported).toMatchObject({ name: 'Mill house', format: 'levamen-job' });

  await writeFile(file, JSON.stringify({ ...exported, name: 'Mill house, imported' }));
  await page.goto('/jobs');
  await page.getByLabel(/Import a/).setInputFiles(file);
  await expect(page.getByLabel('Name of the job')).toHaveValue('Mill house, imported');
  await bench.goTo('Sources');
  await expect(page.locator('p.stack')).toHaveText(name);
});

test('a stack put together by hand: the margins answer, and units that do not go together are refused in words', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.newJob('By hand');
  await bench.addHouse('Essentials only');
  await bench.goTo('Sources');
  await page.getByRole('button', { name: 'Change the units' }).click();
  await page.getByRole('combobox', { name: 'Inverter' }).click();
  await page.getByRole('option', { name: /Woad 93/ }).click();
  await expect(page.locator('p.stack')).toHaveText('1 × Woad 93 + 3 × Woad module');
  const modules = page.getByRole('textbox', { name: 'Woad module' });
  await expect(bench.margin('runtime')).toHaveAttribute('data-simulated', 'true');
  const runtime = await bench.margin('runtime').locator('.figures').textContent();
  await modules.fill('6');
  await modules.press('Enter');
  await expect(page.locator('p.stack')).toHaveText('1 × Woad 93 + 6 × Woad module');
  await expect(bench.margin('runtime').locator('.figures')).not.toHaveText(runtime!);
  await modules.fill('2');
  await modules.press('Enter');
  await expect(page.getByRole('alert')).toContainText('needs at least 3 × Woad module');
  await modules.fill('two');
  await modules.press('Enter');
  await expect(page.getByText('is not a number')).toBeVisible();
  await expect(modules).toHaveValue('two');
  await page.getByRole('button', { name: 'Back to the suggestion' }).click();
  await expect(page.getByRole('heading', { name: /Suggested/ })).toBeVisible();
});

test('units that nobody chose do not change silently', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Not silently');
  await bench.addHouse('Essentials only');
  await bench.goTo('Sources');
  const heading = page.getByRole('region', { name: /Suggested/ });
  await expect(heading).toBeVisible({ timeout: 20_000 });
  const before = (await page.locator('p.stack').textContent())!.trim();
  await bench.goTo('Brief');
  const hours = page.getByRole('textbox', { name: 'Required runtime' });
  await hours.fill('90');
  await hours.press('Enter');
  const notice = page.getByText(`Equipment changed: ${before} →`);
  await expect(notice).toBeVisible({ timeout: 20_000 });
  await page.getByRole('button', { name: `Keep ${before}` }).click();
  await expect(notice).toHaveCount(0);
  await bench.goTo('Sources');
  await expect(page.getByRole('heading', { name: 'Your choice' })).toBeVisible();
  await expect(page.locator('p.stack')).toHaveText(before);
  await expect(bench.margin('runtime')).toContainText('fails');
});

test('jobs are duplicated, deleted and brought back', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Twice');
  await page.goto('/jobs');
  await page.getByRole('button', { name: 'Duplicate Twice' }).click();
  await expect(page.getByRole('link', { name: 'Twice (copy)', exact: true })).toBeVisible();
  const copy = page.getByRole('link', { name: 'Twice (copy)', exact: true });
  const remove = page.getByRole('button', { name: 'Delete Twice (copy)' });
  const place = await remove.boundingBox();
  await remove.click();
  await expect(copy).toHaveCount(0);
  // The way back is where the finger is.
  const back = page.getByRole('button', { name: 'Bring it back' });
  expect(Math.abs((await back.boundingBox())!.y - place!.y)).toBeLessThan(30);
  await back.click();
  await expect(copy).toBeVisible();

  // Later, it is in the bin; from there it can go for good.
  await remove.click();
  await page.getByRole('button', { name: 'Bin', exact: true }).click();
  await page.getByRole('button', { name: 'Bring back Twice (copy)' }).click();
  await page.getByRole('button', { name: 'Back to the jobs' }).click();
  await expect(copy).toBeVisible();
  await remove.click();
  await page.getByRole('button', { name: 'Bin', exact: true }).click();
  await page.getByRole('button', { name: 'Remove for good Twice (copy)' }).click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByText('Twice (copy)')).toHaveCount(0);
});
