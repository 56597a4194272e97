import { expect, type Page, test } from '@playwright/test';
import { Bench } from './bench';
import { copyOfTheFarm } from './farm-copy';

/** A job with a service, its panel, and a few breakers, typed from the keyboard without looking for the place. */
async function typedPanel(page: Page, name: string, breakers: readonly string[]): Promise<Bench> {
  const bench = new Bench(page);
  await bench.newJob(name);
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).press('Enter');
  await expect(bench.space(1)).toBeFocused();
  for (const text of breakers) {
    await page.keyboard.type(text, { delay: 15 });
    await page.keyboard.press('Enter');
  }
  return bench;
}

const details = (page: Page) => page.getByRole('region', { name: 'Details' });

test('what is chosen in a panel stays chosen through edits, moves and undo', async ({ page }) => {
  const bench = await typedPanel(page, 'Chosen', [
    '20 Fridge',
    '20 Hall',
    '20 Office',
    '20 Porch',
    '20 Bath',
  ]);
  const detail = details(page);
  await page.getByRole('button', { name: 'Circuit', exact: true }).click();
  await bench.space(7).click();
  await expect(detail.getByRole('heading', { name: /^Space 7/ })).toBeVisible();
  // One edit after the other meets the same breaker.
  const breaker = detail.getByRole('textbox', { name: 'Breaker', exact: true });
  await breaker.fill('15');
  await breaker.press('Enter');
  await expect(bench.space(7)).toContainText('15');
  await expect(detail.getByRole('heading', { name: /^Space 7/ })).toBeVisible();
  await detail.getByRole('combobox', { name: 'Protection' }).click();
  await page.getByRole('option', { name: /GFCI/i }).first().click();
  await expect(bench.space(7)).toContainText(/gfci/i);
  await expect(bench.space(1)).not.toContainText(/gfci/i);
  await expect(bench.space(1)).toContainText('20');
  // A handle tie is on the breaker that was chosen.
  await detail.getByRole('checkbox', { name: 'handle tie' }).check();
  await expect(detail.getByRole('heading', { name: /^Space 7/ })).toBeVisible();
  await expect(detail.getByRole('checkbox', { name: 'handle tie' })).toBeChecked();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(detail.getByRole('checkbox', { name: 'handle tie' })).not.toBeChecked();
  // It is followed where it goes, and back.
  const spaces = detail.getByRole('textbox', { name: /^Spaces?/ });
  await spaces.fill('12');
  await spaces.press('Enter');
  await expect(detail.getByRole('heading', { name: /^Space 12/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(detail.getByRole('heading', { name: /^Space 7/ })).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(bench.space(7)).toContainText('20');
  await expect(detail.getByRole('heading', { name: /^Space 7/ })).toBeVisible();
});

test('what is chosen on the bench and among the stacks stays chosen through edits and undo', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Chosen on the bench', 'backup');
  const item = page.locator('[data-item="cellar-5"]');
  await item.click();
  await expect(item).toHaveAttribute('aria-selected', 'true');
  const detail = page.locator('lv-item-detail');
  const title = detail.getByRole('heading', { level: 3 });
  const name = (await title.textContent())!;
  for (const key of ['d', 's', 'o']) {
    await page.keyboard.press(key);
    await expect(title).toHaveText(name);
    await expect(item).toHaveAttribute('aria-selected', 'true');
  }
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(title).toHaveText(name);
  await bench.goTo('Sources');
  await page.getByRole('button', { name: 'Change the units' }).click();
  const editor = page.locator('lv-stack-editor');
  await expect(editor).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(editor).toBeVisible();
});

test('a load is dragged onto its breaker', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Dragged load');
  await bench.addHouse('Essentials only');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).press('Enter');
  await expect(bench.space(1)).toBeFocused();
  await page.keyboard.type('20 Kitchen', { delay: 15 });
  await page.keyboard.press('Enter');
  const load = page.locator('lv-unplaced-loads li').first();
  const name = (await load.locator('span').first().textContent())!.trim();
  const [from, to] = [(await load.boundingBox())!, (await bench.space(1).boundingBox())!];
  await page.mouse.move(from.x + 30, from.y + from.height / 2);
  await page.mouse.down();
  await page.mouse.move(to.x + 200, to.y + 30, { steps: 8 });
  await page.mouse.move(to.x + to.width / 2, to.y + to.height / 2, { steps: 8 });
  await page.mouse.up();
  await expect(bench.space(1)).toContainText(name);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(bench.space(1)).not.toContainText(name);
});

test('what is typed on the ladder and in the table stays there: digits, units, Tab, Escape', async ({
  page,
}) => {
  const bench = await typedPanel(page, 'Typed', ['20 Kitchen', '40/2 Range']);
  await expect(page).toHaveURL(/panels$/);
  await expect(bench.space(1)).toContainText('Kitchen');
  await expect(bench.space(3)).toContainText('Range');
  // Tab goes on by the number of the space; Escape, then Tab leaves.
  await bench.space(1).focus();
  await page.keyboard.press('Tab');
  await expect(bench.space(2)).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('grid').locator(':focus')).toHaveCount(0);
  await bench.addHouse('Essentials only');
  await bench.cell('Refrigerator', 'quantity').click();
  await page.keyboard.press('F2');
  await page.keyboard.press('Tab');
  await page.keyboard.press('Tab');
  await expect(bench.cell('Refrigerator', 'power')).toBeFocused();
  await page.keyboard.type('1.4 kW');
  await page.keyboard.press('Tab');
  await expect(page).toHaveURL(/loads$/);
  await expect(bench.cell('Refrigerator', 'power')).toHaveText('1400');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Tab');
  await expect(bench.table().locator(':focus')).toHaveCount(0);
});

test('nameplates are taken as they read, and a large load is guessed onto both legs', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Nameplates');
  await bench.addHouse('Essentials only');
  await bench.cell('Refrigerator', 'name').click();
  await page.keyboard.press('Insert');
  await page.keyboard.type('Car charger');
  await page.keyboard.press('Enter');
  await bench.type('Car charger', 'power', '9,600');
  await expect(bench.cell('Car charger', 'legs')).toHaveText('~ L1-L2');
  await bench.type('Car charger', 'power', '36 A');
  await expect(bench.cell('Car charger', 'power')).toHaveText('8640');
  await bench.cell('Car charger', 'name').click();
  await expect(page.getByRole('textbox', { name: 'Note' })).toHaveValue(/^Watts from 36.A at 240.V/);
  await bench.type('Car charger', 'power', '1½ hp');
  await expect(bench.cell('Car charger', 'power')).toHaveText('1492');
  await bench.type('Car charger', 'power', '12,000 BTU');
  await expect(bench.cell('Car charger', 'power')).toHaveText('1200');
});

test('a load on a two-pole breaker sits on both legs, and its guess stays a guess until somebody says so', async ({
  page,
}) => {
  const bench = await typedPanel(page, 'Legs of a guess', ['60/2 Charger']);
  await bench.addHouse('Essentials only');
  await expect(bench.cell('Chest freezer', 'legs')).toContainText('~');
  await bench.goTo('Panels');
  await bench.space(1).click();
  await page.getByRole('button', { name: 'Circuit', exact: true }).click();
  await page.getByRole('button', { name: /^Put Chest freezer/ }).click();
  await bench.goTo('Loads');
  await expect(bench.cell('Chest freezer', 'legs')).toHaveText('~ L1-L2');
  await bench.cell('Chest freezer', 'legs').click();
  await page.keyboard.type('L1');
  await page.keyboard.press('Enter');
  await expect(bench.cell('Chest freezer', 'legs')).toHaveText('L1');
});

test('a new bill is empty until it is typed, and Enter goes on to the next', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Typed bills');
  await bench.goTo('Usage');
  await page.getByRole('button', { name: 'New bill' }).click();
  const energy = page.getByRole('textbox', { name: 'kWh', exact: true });
  await expect(energy.last()).toBeFocused();
  await expect(energy.last()).toHaveValue('');
  for (const [typed, text] of ['1,250', '980', '1.120,5'].entries()) {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
    await expect(energy).toHaveCount(typed + 2);
    await expect(energy.last()).toBeFocused();
  }
  await expect(energy.first()).toHaveValue('1250');
  await expect(energy.nth(2)).toHaveValue('1120.5');
  // Each begins where the one before ended.
  await expect(page.getByLabel('From', { exact: true }).nth(2)).toHaveValue(/-03-01$/);
  await expect(energy.last()).toBeFocused();
  await page.keyboard.type('many');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^The bill from .*: Enter kilowatt-hours/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'What the bills say' })).toContainText('over 90 days');
  await bench.saved();
});

test('pasted rows say what they are taken for, and what is left out', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Pasted');
  await bench.goTo('Loads');
  await page.getByRole('button', { name: 'Paste rows' }).first().click();
  const dialog = page.getByRole('dialog');
  await dialog
    .getByRole('textbox', { name: /^Paste rows here/ })
    .fill('Load\tAmps\tLegs\tStarts\tColour\nWell pump\t10\tL1-L2\t×4\tblue\nOven\t9\tL9\t\twhite');
  await expect(dialog).toContainText('Not taken: Colour');
  await expect(dialog).toContainText(/2\.4.kW, L1-L2, .*×4/);
  await expect(dialog).toContainText('legs: use L1, L2, L1-L2');
  await dialog.getByRole('button', { name: 'Add 1 loads' }).click();
  await expect(bench.cell('Well pump', 'power')).toHaveText('2400');
});

test('the keys come to the work at once', async ({ page }) => {
  await page.goto('/jobs');
  await expect(page.getByRole('button', { name: /^Delete / }).first()).toBeVisible();
  // The field of a new job within three Tabs.
  const name = page.getByLabel('Name', { exact: true });
  for (let tabs = 0; tabs < 3; tabs += 1) {
    await page.keyboard.press('Tab');
    if (await name.evaluate((field) => field === document.activeElement)) break;
  }
  await expect(name).toBeFocused();
  await page.keyboard.type('By keys');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name of the job')).toHaveValue('By keys');
  await page.keyboard.press('Alt+4');
  await page.waitForURL('**/loads');
  await page.locator('body').press('Tab');
  const skip = page.getByRole('button', { name: 'Skip to the work' });
  await skip.focus();
  await expect(skip).toBeInViewport();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('main')).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('main').locator(':focus')).toHaveCount(1);
});

test('the scheme is that of the system, until somebody chooses', async ({ page }) => {
  const html = page.locator('html');
  await page.emulateMedia({ colorScheme: 'dark' });
  await page.goto('/jobs');
  await expect(html).toHaveClass(/ink-dark/);
  await page.emulateMedia({ colorScheme: 'light' });
  await expect(html).not.toHaveClass(/ink-dark/);
  await page.getByRole('button', { name: 'Dark scheme' }).click();
  await page.reload();
  await expect(html).toHaveClass(/ink-dark/);
});

test('loads find the circuits of their names in one step', async ({ page }) => {
  const bench = await typedPanel(page, 'By name', ['20 Refrigerator', '15 Chest freezer', '15 Hall']);
  await bench.addHouse('Essentials only');
  await bench.goTo('Panels');
  await bench.space(5).click();
  await page.getByRole('button', { name: 'Circuit', exact: true }).click();
  await page.getByRole('button', { name: 'Put 2 on circuits of their name' }).click();
  await expect(bench.space(1)).toContainText('Refrigerator');
  await expect(bench.space(3).locator('.loads')).toContainText('Chest freezer');
  await expect(bench.space(5).locator('.loads')).toHaveText('no load');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(bench.space(3).locator('.loads')).toHaveText('no load');
});
