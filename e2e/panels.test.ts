import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { dialogPassesAxe } from './axe';
import { Bench } from './bench';

const circuits = [
  '20 Refrigerator',
  '20 Kitchen counter, left gfci',
  '15 Kitchen lights',
  '20 Dining room afci',
  '15 Hall',
  '15 Living room afci',
  '20 Laundry',
  '15 Bedroom 1 afci',
  '15 Bedroom 2 afci',
  '15 Bedroom 3 afci',
  '20 Bath gfci',
  '15 Office',
  '20 Garage',
  '15 Porch',
  '20 Workshop',
  '15 Cellar lights',
  '15 Boiler #14',
  '20 Sump pump',
  '15 Smoke alarms',
  '20 Freezer',
  '50/2 Range #6',
  '30/2 Dryer #10',
  '30/2 Water heater #10',
  '20/2 Well pump #12',
  '40/2 Heat pump #8',
  '60/2 Barn #6',
  '15 Doorbell',
  '15 Attic',
  '20 Car outlet',
  'spare 20',
];

test('thirty circuits are entered by keyboard alone', async ({ page }) => {
  test.setTimeout(120_000);
  const bench = new Bench(page);
  await bench.newJob('Wall');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).press('Enter');
  // The first space waits for the legend.
  await expect(bench.space(1)).toBeFocused();
  for (const text of circuits) {
    // Ten times as fast as a person; keys without any time between them would test the machine.
    await page.keyboard.type(text, { delay: 20 });
    await page.keyboard.press('Enter');
  }
  await expect(page.getByText('30 breakers, 36 of 40 spaces')).toBeVisible();
  // Some four keys a second and a second between two circuits: within five minutes.
  const typedS = circuits.join('').length / 4 + circuits.length;
  expect(typedS).toBeLessThan(300);
  await expect(bench.space(1)).toContainText('Refrigerator');
  // A breaker is moved with Alt and arrows, and the move undone.
  await bench.space(1).focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(bench.space(3)).toContainText('Refrigerator');
  await page.keyboard.press('Control+z');
  await expect(bench.space(1)).toContainText('Refrigerator');
  // What does not fit stays where it was typed.
  await bench.space(1).focus();
  await page.keyboard.type('50/2 Sauna');
  await page.keyboard.press('Enter');
  await expect(page.locator('#ladder-message')).toContainText('taken by');
  await expect(bench.space(1).getByRole('textbox')).toHaveValue('50/2 Sauna');
  await page.keyboard.press('Escape');
  await bench.saved();
  await page.reload();
  await expect(page.getByText('30 breakers, 36 of 40 spaces')).toBeVisible();
});

test('findings come as one types, and mark their breakers', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Faults');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await bench.space(1).focus();
  await page.keyboard.type('30 Sauna #14');
  await page.keyboard.press('Enter');
  await expect(bench.space(1)).toContainText('has a finding');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await page.getByText('A breaker is larger than its conductor allows').click();
  await expect(page.getByText('at most 15 A')).toBeVisible();
  await bench.space(1).focus();
  await page.keyboard.type('15 Sauna #14');
  await page.keyboard.press('Enter');
  await expect(bench.space(1)).not.toContainText('has a finding');
});

test('a list of circuits is pasted, mapped, and its unreadable rows named', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Pasted wall');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await page.getByRole('button', { name: 'Paste or import' }).click();
  const dialog = page.getByRole('dialog', { name: 'Circuits from a list' });
  await dialog
    .getByLabel(/Paste rows/)
    .fill('Ckt,Amps,Where,Notes\n1,20,Kitchen,a\n2,50/2,Range,b\n3,lots,Hall,c');
  await dialog.getByRole('combobox', { name: 'Column 3' }).selectOption({ label: 'Description' });
  await dialog.getByLabel('the first row holds headings').check();
  await expect(dialog).toContainText('space 2, 4: 50/2 Range');
  await expect(dialog).toContainText('left out: Breaker');
  await dialogPassesAxe(page);
  await dialog.getByRole('button', { name: 'Add 2 circuits' }).click();
  await expect(bench.space(2)).toContainText('Range');
  await expect(bench.space(3)).not.toContainText('Hall');
});

test('a schedule leaves as XLSX and comes back into another panel', async ({ page }, info) => {
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await bench.goTo('Panels');
  const download = page.waitForEvent('download');
  await page.getByRole('link', { name: 'XLSX' }).click();
  const file = info.outputPath('cellar.xlsx');
  await (await download).saveAs(file);
  expect((await readFile(file)).subarray(0, 2).toString()).toBe('PK');
  await bench.newJob('Copied wall');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await page.getByRole('button', { name: 'Paste or import' }).click();
  await page.getByLabel(/^File/).setInputFiles(file);
  await page.getByRole('button', { name: 'Add 23 circuits' }).click();
  await expect(page.getByText('23 breakers, 28 of 40 spaces')).toBeVisible();
  await expect(bench.space(14)).toContainText('Well pump');
});

test('loads hang on circuits: their legs follow, seen from either side', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Legs');
  await bench.addHouse('Essentials only');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await bench.space(3).focus();
  await page.keyboard.type('20 Freezer');
  await page.keyboard.press('Enter');
  await bench.space(3).click();
  await expect(page.getByText(/Not placed yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Circuit', exact: true }).click();
  await page.getByRole('button', { name: /^Put Chest freezer/ }).click();
  await expect(bench.space(3)).toContainText('Chest freezer');
  await bench.goTo('Loads');
  await expect(bench.cell('Chest freezer', 'legs')).toHaveText('L2');
  await bench.cell('Chest freezer', 'name').click();
  await expect(page.getByText('its legs are those of the circuit')).toBeVisible();
  // Moved to the other leg, the load goes along.
  await bench.goTo('Panels');
  await bench.space(3).focus();
  await page.keyboard.press('Alt+ArrowUp');
  await bench.goTo('Loads');
  await expect(bench.cell('Chest freezer', 'legs')).toHaveText('L1');
});

test('the swaps that balance the legs are taken in one step', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('Row house by the vineyard');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Legs', exact: true }).click();
  const difference = page.locator('lv-leg-balance p', { hasText: 'Difference' });
  const before = await difference.textContent();
  await page.getByRole('button', { name: 'Take the plan of 2 swaps' }).click();
  await expect(difference).not.toHaveText(before!);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(difference).toHaveText(before!);
  await bench.saved();
});

test('a breaker is dragged to another space', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Dragged');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  await bench.space(1).focus();
  await page.keyboard.type('20 Kitchen');
  await page.keyboard.press('Enter');
  const from = (await bench.space(1).locator('.breaker').boundingBox())!;
  const to = (await bench.space(8).boundingBox())!;
  await page.mouse.move(from.x + 80, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(from.x + 120, from.y + 40, { steps: 4 });
  await page.mouse.move(to.x + 60, to.y + 12, { steps: 8 });
  await page.mouse.up();
  await expect(bench.space(8)).toContainText('Kitchen');
  await expect(bench.space(1)).not.toContainText('Kitchen');
});

test('two mains behind one meter, and a panel through feed-through lugs', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Two mains');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: 'Begin with the service and its panel' }).click();
  const tree = page.getByRole('navigation', { name: 'Services and panels' });
  await tree.getByRole('button', { name: 'Service 1' }).click();
  const service = page.getByRole('region', { name: 'Service' });
  await service.getByLabel('Rating').fill('400');
  await service.getByLabel('Rating').press('Enter');
  await service.getByRole('button', { name: 'Panel behind this service' }).click();
  await expect(tree.getByRole('button', { name: 'Panel 2' })).toBeVisible();
  for (const name of ['Main panel', 'Panel 2']) {
    await tree.getByRole('button', { name }).click();
    await page.getByRole('button', { name: 'Panel', exact: true }).click();
    await page.getByLabel('Main breaker').fill('200');
    await page.getByLabel('Main breaker').press('Enter');
    await page.getByLabel('Bus rating').fill('200');
    await page.getByLabel('Bus rating').press('Enter');
    await expect(page.getByRole('button', { name: /^Findings.0$/ })).toBeVisible();
  }
  // A new panel hangs on the feed-through lugs of the one that is shown.
  await page.getByRole('button', { name: 'New panel' }).click();
  await expect(page.getByText('Feed-through lugs of Panel 2')).toBeVisible();
  await page.getByLabel('Bus rating').fill('125');
  await page.getByLabel('Bus rating').press('Enter');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.getByText('The panel is rated below its feeder')).toBeVisible();
  await bench.saved();
});

test.describe('on a tablet, by touch', () => {
  test.use({ viewport: { width: 1024, height: 768 }, hasTouch: true });

  test('a breaker is written, its load chosen, and a bill added with a fingertip', async ({ page }) => {
    const bench = new Bench(page);
    await bench.newJob('Tablet');
    await bench.addHouse('Essentials only');
    await bench.goTo('Panels');
    await page.getByRole('button', { name: 'Begin with the service and its panel' }).tap();
    await bench.space(2).tap();
    await page.getByRole('button', { name: 'Write space 2' }).tap();
    await bench.space(2).getByRole('textbox').fill('20 Freezer');
    await bench.space(2).getByRole('textbox').press('Enter');
    await bench.space(2).tap();
    await page.getByRole('button', { name: /^Put Chest freezer/ }).tap();
    await expect(bench.space(2)).toContainText('Chest freezer');
    await bench.goTo('Usage');
    await page.getByRole('button', { name: 'New bill' }).tap();
    await page.getByRole('textbox', { name: 'kWh', exact: true }).fill('900');
    await page.getByRole('textbox', { name: 'kWh', exact: true }).press('Tab');
    await expect(page.getByRole('region', { name: 'What the bills say' })).toContainText('over 31 days');
    const wide = await page.evaluate(() => document.documentElement.scrollWidth > window.innerWidth);
    expect(wide).toBe(false);
    await bench.saved();
  });
});
