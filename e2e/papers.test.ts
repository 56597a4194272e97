import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { expect, type Page, test } from '@playwright/test';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';

/** Papers are simulated, laid out and set: some seconds, more on a busy machine. */
const made = { timeout: 60_000 };
const draft = (page: Page) => page.getByText('Draft of the job as it is now.');
const pages = (page: Page) => page.locator('lv-paper-preview canvas');
const issuedRow = (page: Page, letter: string) => page.locator(`lv-issued-list [data-paper="${letter}"]`);

test('an outage card is looked at, issued, issued again once the job has changed, and given to the household', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  const bench = await copyOfTheFarm(page, 'Papers: a card', 'papers');
  await page.getByRole('button', { name: 'Outage card' }).click();
  await expect(draft(page)).toBeVisible(made);
  await expect(pages(page)).toHaveCount(1);
  const words = page.locator('lv-paper-preview figcaption');
  await expect(words).toContainText('When the power goes out');
  await expect(words).toContainText('DRAFT');
  await page.getByRole('checkbox', { name: 'What to switch off first' }).uncheck();
  await expect(words).not.toContainText('Switch off first', made);
  await bench.choose('Language', /Deutsch/);
  await expect(words).toContainText('Wenn der Strom ausfällt', made);
  await bench.choose('Language', /English/);
  await expect(words).toContainText('When the power goes out', made);
  await passesAxe(page);

  await page.getByRole('button', { name: 'Issue this outage card' }).click();
  await expect(page.locator('[data-issued]')).toContainText('revision A', made);
  const first = issuedRow(page, 'A');
  await expect(first).toContainText('up to date');
  const download = page.waitForEvent('download');
  await first.getByRole('link', { name: 'PDF' }).click();
  const bytes = await readFile(await (await download).path());
  const digest = createHash('sha256').update(bytes).digest('hex');
  await expect(first.locator('.digest')).toHaveAttribute('title', digest);

  // The job moves on: the paper says so, and what differs.
  await bench.goTo('Brief');
  const required = page.getByRole('textbox', { name: 'Required runtime' });
  await required.fill('30');
  await required.blur();
  await bench.saved();
  await bench.goTo('Papers');
  await page.getByRole('button', { name: 'Outage card' }).click();
  await expect(first).toContainText('out of date');
  await first.getByText('things differ').or(first.getByText('1 things differ')).first().click();
  await expect(first).toContainText('required runtime');
  await first.getByRole('button', { name: 'Issue as revision B' }).click();
  await expect(page.locator('[data-issued]')).toContainText('revision B', made);
  await expect(first).toContainText('replaced');

  const second = issuedRow(page, 'B');
  await second.getByRole('button', { name: /by a link/ }).click();
  await second.getByRole('button', { name: 'Make a link' }).click();
  const address = (await second.locator('[data-client-link]').textContent())!.trim();
  await expect(second.getByRole('img', { name: /code for a telephone/ })).toBeVisible();
  await passesAxe(page, false);
  const household = await browser.newContext({ viewport: { width: 390, height: 780 } });
  const telephone = await household.newPage();
  await telephone.goto(address);
  await expect(telephone.getByRole('heading', { level: 1 })).toHaveText('When the power goes out');
  // Whoever is shown a card learns nothing of the client.
  await expect(telephone.locator('main')).not.toContainText('Papers: a card');
  await expect(telephone.locator('main')).not.toContainText('Gullrock');
  await passesAxe(telephone, false);
  await second.getByRole('button', { name: 'Take back' }).click();
  await expect(second).toContainText('Taken back');
  await telephone.reload();
  await expect(telephone.getByRole('alert')).toContainText('was taken back');
  await household.close();

  await second.getByRole('button', { name: /^Erase/ }).click();
  await second.getByRole('button', { name: 'Erase it' }).click();
  await expect(second).toContainText('erased');
  await expect(second.locator('.digest')).toBeVisible();
});

test('a proposal shows designs side by side, carries what the company prints, and is accepted by its link', async ({
  page,
  browser,
}) => {
  test.setTimeout(240_000);
  await page.goto('/company');
  const terms = page.getByRole('textbox', { name: 'Terms' });
  await terms.fill('Scaffolding stays for a week.');
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('button', { name: 'Step of the payment' }).click();
  await passesAxe(page);
  const shares = page.getByRole('textbox', { name: 'Share' });
  await shares.first().fill('90');
  await shares.first().blur();
  await expect(page.getByText('make them 100 %')).toBeVisible();
  await page
    .getByRole('button', { name: /^Remove payment/ })
    .last()
    .click();
  await shares.first().fill('30');
  await shares.first().blur();
  await expect(page.getByText('Kept.')).toBeVisible();

  const bench = await copyOfTheFarm(page, 'Papers: a proposal', 'papers');
  await expect(draft(page)).toBeVisible(made);
  await page.getByRole('checkbox', { name: 'With a generator at an inlet' }).check();
  const words = page.locator('lv-paper-preview');
  await expect(words).toContainText('With a generator at an inlet', made);
  await expect(words).toContainText('Scaffolding stays for a week.');
  await bench.saved();
  await page.getByRole('button', { name: 'Issue this proposal' }).click();
  await expect(page.locator('[data-issued]')).toContainText('revision A', made);
  const row = issuedRow(page, 'A');
  await row.getByRole('button', { name: /by a link/ }).click();
  await row.getByRole('button', { name: 'Make a link' }).click();
  const address = (await row.locator('[data-client-link]').textContent())!.trim();

  const household = await browser.newContext({ viewport: { width: 390, height: 780 } });
  const telephone = await household.newPage();
  await telephone.goto(address);
  await telephone.getByRole('button', { name: 'Accept this proposal' }).click();
  await expect(telephone.getByRole('alert')).toHaveText('Enter your name.');
  await telephone.getByRole('combobox', { name: 'Design' }).selectOption('With a generator at an inlet');
  await telephone.getByLabel('Your name').fill('Jo Marsh');
  await telephone.getByRole('button', { name: 'Accept this proposal' }).click();
  await expect(telephone.locator('[data-accepted]')).toContainText(
    '“With a generator at an inlet” by Jo Marsh',
  );
  await household.close();

  // It stands with the paper: what, who, when, from where.
  await row.getByRole('button', { name: /by a link/ }).click();
  await row.getByRole('button', { name: /by a link/ }).click();
  await expect(row.locator('[data-accepted]')).toContainText('Jo Marsh');

  // The permit packet in whole, and everything together as a file.
  await page.getByRole('button', { name: 'Permit packet' }).click();
  await expect(words).toContainText('Load calculation', made);
  expect(await pages(page).count()).toBeGreaterThan(10);
  const zip = page.waitForEvent('download', made);
  await page.getByRole('button', { name: 'Everything, ZIP' }).click();
  expect((await readFile(await (await zip).path())).subarray(0, 2).toString()).toBe('PK');
  await page.getByText('Approved by the licence holder').click();
  const approved = page.locator('lv-course-card li').filter({ hasText: 'Approved by the licence holder' });
  await approved.getByRole('textbox', { name: 'By' }).fill('J. Marlow, EC-20417');
  await approved.getByRole('textbox', { name: 'On', exact: true }).fill('2026-11-20');
  await approved.getByRole('textbox', { name: 'On', exact: true }).blur();
  await expect(page.locator('[data-course]')).toContainText('It stands at: Approved by the licence holder.');
  await bench.saved();
});
