import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';

test('the rules of a house are listed with their verdicts; one of the company is written and tried on it', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Rules of a house', 'rules');
  const table = page.getByRole('table').first();
  const row = (name: string | RegExp) => table.getByRole('row').filter({ hasText: name });
  await expect(row('A breaker suits its conductor')).toContainText('NEC 2023, recalled');
  await expect(row('A breaker suits its conductor')).toContainText('must be fixed');
  // The wiring is judged by the same pack, a moment later.
  await expect(row('No source that feeds has two bonds')).toContainText('must be fixed');
  await passesAxe(page);

  // Another edition cites its own clauses.
  await expect(row('One of the ways to connect sources')).toContainText('705.12(B)(2), NEC 2023');
  await page.getByRole('combobox', { name: /^Rules and edition/ }).click();
  await page.getByRole('option', { name: /^NEC 2020/ }).click();
  await expect(row('One of the ways to connect sources')).toContainText('705.12(B)(3)(2), NEC 2020');

  // A rule of the company is tried as it is typed; what cannot be read stays as it was typed.
  await page.getByRole('button', { name: 'New rule' }).click();
  const card = page.locator('lv-rule-card');
  const must = card.getByRole('textbox', { name: 'Must be true' });
  await must.fill('spacs >= 40');
  await must.blur();
  await expect(card.getByRole('alert')).toContainText('there is no fact called “spacs” here');
  await must.fill('spaces >= 500');
  await must.blur();
  await card.getByRole('textbox', { name: 'It asks, in own words' }).fill('Room to grow');
  await expect(row('Room to grow')).toContainText('2 fail');
  await expect(card.getByRole('listitem').filter({ hasText: 'Cellar panel' })).toContainText('spaces only');
  await passesAxe(page);

  // It speaks where the others speak, leaves as a file, and comes back.
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save own rules' }).click();
  const file = await (await saving).path();
  await card.getByRole('button', { name: 'Remove this rule' }).click();
  await expect(row('Room to grow')).toHaveCount(0);
  await page.getByLabel('Read rules').setInputFiles(file);
  await expect(row('Room to grow')).toContainText('2 fail');
  await page.getByLabel('Read rules').setInputFiles({
    name: 'other.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"other"}'),
  });
  await expect(page.getByRole('alert')).toContainText('This is no file of rules');
  await bench.goTo('Panels');
  await page.getByRole('button', { name: /^Findings/ }).click();
  await expect(page.getByText(/Cellar panel has \d+ spaces only/).first()).toBeVisible();
  await bench.saved();
});
