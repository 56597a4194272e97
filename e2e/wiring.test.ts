import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';

test('the wiring follows from the design: drawn, listed, judged, and mended where it fails', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'To be wired', 'sources');
  // The strip says it before anybody looks: the barn panel has a bond of its own.
  await expect(bench.margin('wiring')).toContainText('fails', { timeout: 30_000 });
  await expect(bench.margin('wiring')).toContainText('Several bonds of neutral and ground');
  await bench.margin('wiring').click();
  const drawing = page.getByRole('group', { name: 'One-line drawing' });
  await expect(drawing.getByRole('button', { name: /Cellar panel$/ }).first()).toBeVisible({
    timeout: 30_000,
  });
  await passesAxe(page);

  // A danger is shown where it is, and in which state.
  await page.getByRole('button', { name: /^Show on the drawing: Several bonds.*Madder/ }).click();
  await expect(page.getByText('live from the battery')).toBeVisible();
  await expect(drawing.locator('.marked')).toHaveCount(3);
  // A switch is moved: the grid is back, and the main is open.
  await page.getByRole('button', { name: 'Switches' }).click();
  await page.getByRole('combobox', { name: 'What is there' }).click();
  await page.getByRole('option', { name: 'grid present, battery inverter on' }).click();
  await page.getByRole('combobox', { name: 'Main of Cellar panel' }).click();
  await page.getByRole('option', { name: 'open', exact: true }).click();
  await expect(page.getByText('Dead: Cellar panel.')).toBeVisible();
  await passesAxe(page, false);

  // The list behind the drawing; a part is chosen, a smaller conductor said, and refused with its reason.
  await page.getByRole('button', { name: 'From–to list' }).click();
  const list = page.getByRole('region', { name: 'Parts of the wiring' });
  await list.getByRole('button', { name: 'Feeder to pass-through of the inverter' }).click();
  const card = page.getByRole('region', { name: /Feeder to pass-through/ });
  await expect(card).toContainText('8 AWG: ');
  await card.getByRole('combobox', { name: 'Conductor' }).click();
  await page.getByRole('option', { name: '10 AWG' }).click();
  await expect(card).toContainText(/carries 35.A|protected at 30.A/);
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(list.getByRole('row', { name: /Feeder to pass-through/ }).first()).toContainText('6 AWG Cu');
  // What carries no power stands there too.
  await expect(list.getByRole('row', { name: /^B1 Current sensors at Farm service/ })).toContainText('2P');
  await expect(list.getByRole('row', { name: /Grounding electrodes/ })).toContainText('4 AWG');
  await passesAxe(page, false);

  // Panels as they will be: what moves, and the schedule of the new one.
  await page.getByRole('button', { name: 'Panels then' }).click();
  const added = page.getByRole('region', { name: 'Backed-up loads panel' });
  await expect(added.getByRole('row', { name: /Well pump/ })).toContainText('Cellar panel, 14, 16');
  await bench.saved();
  const [schedule] = await Promise.all([
    page.waitForEvent('download'),
    added.getByRole('link', { name: 'CSV' }).click(),
  ]);
  expect(readFileSync(await schedule.path(), 'utf8')).toContain('Well pump');
  await passesAxe(page, false);

  // What makes a thing dead, what a main leaves live, and the signs that say so.
  await page.getByRole('button', { name: 'Switching, signs' }).click();
  const barn = page.locator('[data-isolation]').getByRole('row', { name: /^Barn panel/ });
  await expect(barn).toContainText('Breaker “Barn panel”');
  await expect(
    page.getByText(/Main of Cellar panel opened: still live: .*Backed-up loads panel/),
  ).toBeVisible();
  await expect(page.locator('[data-signs]')).toContainText('Photovoltaic system disconnect');
  const disconnects = page.getByRole('region', { name: 'Disconnects' });
  await expect(disconnects.getByRole('row', { name: /Disconnect of Barn roof/ })).toContainText('ft');
  await passesAxe(page, false);

  // What it rests on: a control system holds the busbar.
  await page.getByRole('button', { name: 'Rests on' }).click();
  await page.getByRole('textbox', { name: /Held by a control system/ }).fill('200');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Findings' }).click();
  const findings = page.getByRole('region', { name: 'Findings' });
  await expect(findings).not.toContainText('705.12');
  await page.getByRole('button', { name: 'Rests on' }).click();
  await passesAxe(page, false);

  // The cure of the bond, in Panels, cures it here.
  await bench.goTo('Panels');
  await page
    .getByRole('tab', { name: /Barn panel/ })
    .or(page.getByRole('button', { name: /Barn panel/ }))
    .first()
    .click();
  await page.getByRole('button', { name: 'Panel', exact: true }).first().click();
  await page.getByRole('combobox', { name: /^Neutral and ground/ }).click();
  await page.getByRole('option', { name: 'Separate' }).click();
  await expect(bench.margin('wiring')).not.toContainText('Several bonds', { timeout: 20_000 });
});

test('a thing of the drawing is moved by keys and pointer, and stays; every conductor is shown at the isolating device', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Moved on the drawing', 'wiring');
  const drawing = page.getByRole('group', { name: 'One-line drawing' });
  const spot = drawing.getByRole('button', { name: /Backed-up loads panel/ });
  await expect(spot).toBeVisible({ timeout: 30_000 });
  // It is drawn anew once the units are known.
  await expect(drawing.getByText('Madder 47 2', { exact: true })).toBeVisible();
  await page.waitForTimeout(1000);
  const x = async (): Promise<number> => Number(await spot.getAttribute('x'));
  const before = await x();
  await spot.focus();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(x).toBeCloseTo(before + 4);
  // The pointer takes it along, too.
  await spot.scrollIntoViewIfNeeded();
  const room = (await spot.boundingBox())!;
  await page.mouse.move(room.x + room.width / 2, room.y + room.height / 2);
  await page.mouse.down();
  await page.mouse.move(room.x + room.width / 2 + 60, room.y + room.height / 2, { steps: 4 });
  await page.mouse.up();
  await expect.poll(x).toBeGreaterThan(before + 8);
  const there = await x();
  await bench.saved();
  await page.reload();
  await expect.poll(x, { timeout: 30_000 }).toBeCloseTo(there);
  await page.getByRole('button', { name: 'Lay out anew' }).click();
  await expect.poll(x).toBeCloseTo(before);

  // Pushed over its neighbour, it says what cannot be read any more.
  await spot.focus();
  await expect(async () => {
    await page.keyboard.press('Alt+ArrowUp');
    await expect(page.locator('[data-covered]')).toContainText('lie over each other', { timeout: 400 });
  }).toPass();
  await page.getByRole('button', { name: 'Lay out anew' }).click();
  await expect(page.locator('[data-covered]')).toHaveCount(0);

  await page.getByRole('combobox', { name: 'What is drawn' }).click();
  await page.getByRole('option', { name: /^Every conductor/ }).click();
  const sheet = page.getByRole('group', { name: 'Drawing of every conductor at the isolating device' });
  await expect(sheet.getByText('EGC')).toBeVisible();
  await expect(sheet.getByRole('button', { name: /Main breaker of Cellar panel/ })).toBeVisible();
  await passesAxe(page, false);
  await bench.saved();
});

test('the drawing leaves as SVG, DXF and PDF, with its title block, the material as CSV', async ({
  page,
}) => {
  await copyOfTheFarm(page, 'Drawn', 'wiring');
  await expect(page.getByRole('group', { name: 'One-line drawing' })).toBeVisible({ timeout: 30_000 });
  const saved = async (kind: string): Promise<Buffer> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: `Drawing as ${kind}` }).click(),
    ]);
    expect(file.suggestedFilename()).toBe(`Drawn-one-line-drawing.${kind.toLowerCase()}`);
    return readFileSync(await file.path());
  };
  const svg = (await saved('SVG')).toString('utf8');
  expect(svg).toContain('Main of Cellar panel');
  expect(svg).toContain('Gullrock Harbour');
  expect((await saved('DXF')).toString('utf8')).toContain('Main of Cellar panel');
  expect((await saved('PDF')).subarray(0, 5).toString()).toBe('%PDF-');

  // What is bought for it.
  await page.getByRole('button', { name: 'Material' }).click();
  const material = page.getByRole('region', { name: 'Material of the wiring' });
  const wire = material.getByRole('row', { name: /^6 AWG Cu Conductors/ });
  await expect(wire).toContainText('Feeder to');
  await expect(wire).toContainText(/Rush wire, 6 AWG Cu ?CA\$\d/);
  await expect(page.locator('[data-material-sum]')).toContainText('for what has a price');
  const [bought] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Material as CSV' }).click(),
  ]);
  expect(readFileSync(await bought.path(), 'utf8')).toContain('6 AWG Cu');
  await passesAxe(page, false);
});
