import { expect, test, type Locator, type Page } from '@playwright/test';
import { copyOfTheFarm } from './farm-copy';

const row = (page: Page, id: string): Locator => page.locator(`[data-item="${id}"]`);
const laneOf = (page: Page, id: string): Locator => page.getByRole('group').filter({ has: row(page, id) });
const details = (page: Page): Locator => page.getByRole('region', { name: 'Details' });

test('the keyboard moves circuits, and every move answers in the margins and beside the circuit', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Farm, by keyboard', 'backup');
  await expect(bench.margin('starting')).toContainText('fails');
  await expect(row(page, 'cellar-5')).toContainText('starting');
  await row(page, 'cellar-5').click();
  await expect(details(page)).toContainText('Without it starting would hold');
  await page.keyboard.press('d');
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Stays dark');
  await expect(bench.margin('starting')).not.toContainText('fails');
  await expect(row(page, 'cellar-5')).toBeFocused();
  await expect(row(page, 'cellar-5')).toContainText('if on: starting');
  await page.keyboard.press('Alt+ArrowUp');
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Shed by hand');
  await page.keyboard.press('s');
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Shed by a device');
  await bench.saved();
  await page.reload();
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Shed by a device');
  // What is typed leads nowhere.
  await row(page, 'cellar-5').click();
  await page.keyboard.press('1');
  await expect(page).toHaveURL(/backup$/);
});

test('several circuits move together, by selection, by mouse, and by undo', async ({ page }) => {
  await copyOfTheFarm(page, 'Farm, several', 'backup');
  await row(page, 'cellar-13').click();
  await page.keyboard.press('Shift+ArrowDown');
  await page.keyboard.press('Shift+ArrowDown');
  await expect(page.locator('[role=option][aria-selected=true]')).toHaveCount(3);
  await page.keyboard.press('h');
  await expect(page.getByRole('group', { name: 'Shed by hand' }).getByRole('option')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('group', { name: 'Shed by hand' }).getByRole('option')).toHaveCount(0);

  const from = (await row(page, 'cellar-20').boundingBox())!;
  const to = (await page.getByRole('group', { name: 'Shed by a device' }).boundingBox())!;
  await page.mouse.move(from.x + 60, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(from.x + 64, from.y + from.height, { steps: 4 });
  await page.mouse.move(to.x + 80, to.y + to.height - 6, { steps: 12 });
  await page.mouse.up();
  await expect(laneOf(page, 'cellar-20')).toHaveAttribute('aria-label', 'Shed by a device');
});

test('a new user asks for 24 h, finds what breaks first, and mends it in three ways', async ({ page }) => {
  test.slow();
  const bench = await copyOfTheFarm(page, 'Farm, mended', 'backup');
  await bench.goTo('Brief');
  await page.getByRole('textbox', { name: 'Required runtime' }).fill('24');
  await page.keyboard.press('Enter');
  await bench.goTo('Backup set');
  for (const way of [/^Take: Leave dark/, /^Take: Soft starter/, /^Take: Larger stack/]) {
    await expect(bench.margin('starting')).toContainText('fails');
    await bench.show('Mend');
    await expect(details(page)).toContainText('Starting: Well pump');
    await page.getByRole('button', { name: way }).first().click();
    for (const key of ['runtime', 'continuous', 'starting', 'legs', 'gap']) {
      await expect(bench.margin(key)).not.toContainText('fails');
    }
    await page.getByRole('button', { name: /^Undo/ }).click();
    await bench.show('Circuit');
  }
});

test('the best set is suggested, compared, taken, and can be undone', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, suggested', 'backup');
  await bench.show('Suggest');
  // The tab has the same name, and stands before the view does.
  await page.locator('lv-suggestion-view').getByRole('button', { name: 'Suggest', exact: true }).click();
  await expect(details(page)).toContainText('No other set that holds counts more');
  await expect(details(page)).toContainText('but that does not hold');
  await expect(details(page)).toContainText('stays on → stays dark');
  await page.getByRole('button', { name: 'Take it' }).click();
  await expect(bench.margin('starting')).not.toContainText('fails');
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Stays dark');
  await page.keyboard.press('Control+z');
  await expect(laneOf(page, 'cellar-5')).toHaveAttribute('aria-label', 'Stays on');
});

test('the way a service is backed up says what it requires', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, wired', 'backup');
  await bench.show('Services');
  await expect(details(page)).toContainText('The new panel holds what moves');
  await page.getByLabel('Spaces of the new panel').fill('8');
  await page.keyboard.press('Enter');
  await expect(details(page)).toContainText('The new panel is too small');
  await page.getByRole('combobox', { name: 'How it is backed up' }).click();
  await page.getByRole('option', { name: 'Whole house, isolated at the service' }).click();
  await expect(details(page)).toContainText('The isolating device is rated below what is ahead of it');
  // The list of the first choice fades out before another can open.
  await expect(page.getByRole('option', { name: 'Whole house, isolated at the service' })).toHaveCount(0);
  await page.getByRole('combobox', { name: 'How it is backed up' }).click();
  await page.getByRole('option', { name: 'Feeder splice at a sub-panel' }).click();
  await expect(details(page)).toContainText('No sub-panel chosen');
});

test('two services have a source each, unless one is joined to the other', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, two services', 'backup');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'New service' }).click();
  await bench.goTo('Backup set');
  const sources = page.getByRole('region', { name: 'Bench' });
  await expect(sources.getByRole('button', { name: 'Service 2' })).toBeVisible();
  await sources.getByRole('button', { name: 'Service 2' }).click();
  await expect(bench.margin('runtime')).toContainText('not yet known');
  await bench.show('Services');
  await page.getByRole('combobox', { name: 'How it is backed up' }).click();
  await page.getByRole('option', { name: 'Not backed up' }).click();
  await expect(sources.getByRole('button', { name: 'Service 2' })).toHaveCount(0);
  await expect(bench.margin('runtime')).toContainText('32.6');
});

test('each main behind one meter has a source of its own, or one of them stays dark', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, two mains', 'backup');
  await bench.goTo('Panels');
  const tree = page.getByRole('navigation', { name: 'Services and panels' });
  await tree.getByRole('button', { name: 'Farm service' }).click();
  await page.getByRole('button', { name: 'Panel behind this service' }).click();
  await expect(tree.getByRole('button', { name: /Panel \d$/ })).toBeVisible();
  await bench.goTo('Backup set');
  await page.getByRole('button', { name: /^Services/ }).click();
  await bench.choose('How it is backed up', /^Whole house, isolated at the service/);
  await bench.choose('Point of isolation', /^Each main/);
  const sources = page.getByRole('region', { name: 'Bench' });
  await expect(sources.getByRole('button', { name: 'Cellar panel' })).toBeVisible();
  await sources.getByRole('button', { name: /Panel \d$/ }).click();
  await expect(bench.margin('runtime')).toContainText('not yet known');
  // The outage stage shows the same source, and another one where it is chosen.
  await bench.goTo('Outage');
  await page.getByRole('button', { name: 'Cellar panel' }).click();
  await expect(page.locator('lv-play-view svg').first()).toBeVisible({ timeout: 30_000 });
  await bench.goTo('Backup set');
  await page.getByRole('button', { name: /^Services/ }).click();
  await page.getByRole('checkbox', { name: /Panel \d is backed up/ }).uncheck();
  await expect(sources.getByRole('button', { name: 'Cellar panel' })).toHaveCount(0);
  await expect(bench.margin('runtime')).toContainText('32.6');
});

test('power is shown through the day, in the stage and in the drawer', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, power', 'backup');
  await bench.show('Power');
  await expect(details(page).getByRole('table').first()).toContainText('Evening');
  await expect(details(page)).toContainText('Well pump, 1½ hp on L1');
  await details(page).getByRole('button', { name: 'One after the other' }).click();
  await expect(details(page)).toContainText('it holds');
  await bench.margin('continuous').click();
  const drawer = page.getByRole('complementary', { name: 'Working' });
  await expect(drawer.getByRole('img', { name: /Running demand/ })).toBeVisible();
  await bench.margin('gap').click();
  await expect(drawer).toContainText('Internet modem and router');
});

test('a load nobody chose runs along on its circuit, until it is unplugged', async ({ page }) => {
  const bench = await copyOfTheFarm(page, 'Farm, run along', 'loads');
  const circulators = bench.row('Heating circulators, three zones');
  await circulators.locator('td.name').click();
  await page.keyboard.press('Space');
  await expect(circulators).toContainText('not chosen, but runs along');
  await expect(page.getByText('Loads that nobody has chosen run along')).toBeVisible();
  await page.getByRole('button', { name: 'It is unplugged' }).click();
  await expect(circulators).toContainText('unplugged in an outage');
  await bench.goTo('Backup set');
  await page.locator('[data-item="cellar-9"]').click();
  await page.getByRole('button', { name: 'Leave plugged in: Heating circulators, three zones' }).click();
  await expect(details(page)).toContainText('must, not chosen, but runs along');
  await bench.goTo('Loads');
  await expect(circulators).toContainText('not chosen, but runs along');
});
