import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';

const built = 'Farmhouse on Lamp Point, built in 2023';

test('a house that was built three years ago: its short outage is explained, its battery measured, its test overdue', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await page.goto('/jobs');
  const states = page.getByRole('combobox', { name: 'Jobs of which state' });
  await states.selectOption('commissioned');
  await expect(page.getByText('Commissioned · waits for the utility')).toBeVisible();
  await expect(page.getByRole('link', { name: 'Row house by the vineyard', exact: true })).toHaveCount(0);
  await states.selectOption('');
  await page.getByRole('searchbox', { name: 'Search jobs' }).fill(built);
  const row = page.getByRole('row').filter({ has: page.getByRole('link', { name: built, exact: true }) });
  await expect(row).toContainText('overdue since 2026-10-20');
  await expect(row).toContainText('Test outage with the household');
  await row.getByRole('link', { name: built, exact: true }).click();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Logbook' }).click();

  const outages = page.locator('[data-outages]');
  const february = outages.getByRole('row').filter({ hasText: 'February storm' });
  await expect(february).toContainText(/sun −\d/, { timeout: 60_000 });
  await expect(february).toContainText('went dark');
  const detail = page.getByRole('region', { name: 'February storm' });
  await expect(detail.locator('[data-replay]')).toContainText('Mostly: sun. What is known explains it.');
  await expect(detail.locator('[data-reasons] li').first()).toContainText(/Sun.*−\d.*The arrays gave/);
  await outages.getByRole('button', { name: 'November storm' }).click();
  await expect(page.getByRole('region', { name: 'November storm' }).locator('[data-replay]')).toContainText(
    'of charge left when the grid is back',
  );
  await passesAxe(page);

  await page.getByRole('button', { name: 'Battery and loads' }).click();
  await expect(page.locator('[data-capacity] tbody tr').first()).toContainText('Staged outage 1');
  await expect(page.getByText(/70\.0 % are warranted \(as is usual: nobody said\)/)).toBeVisible();
  await expect(page.locator('[data-evidence] tbody tr')).toHaveCount(5, { timeout: 30_000 });
  await expect(page.getByText('there is nothing to correct')).toBeVisible();
  await passesAxe(page, false);
  await page.getByRole('button', { name: 'As built' }).click();
  await expect(page.getByText(/Madder 47, 1 of 2: S\/N LP-41207, firmware 2\.16/)).toBeVisible();
  await passesAxe(page, false);
  await page.getByRole('button', { name: 'Visits' }).click();
  await page.getByText('Called after the storm').first().click();
  await passesAxe(page, false);
});

test('a logbook is begun: an outage is told, then read from a file; units, deviations, dates and documents are kept', async ({
  page,
}) => {
  test.setTimeout(150_000);
  const bench = await copyOfTheFarm(page, 'Lived in', 'logbook');
  await expect(page.getByText('No outage is written down.')).toBeVisible();

  // What people say of it is replayed at once.
  await page.getByRole('button', { name: 'An outage' }).click();
  const detail = page.getByRole('region', { name: 'Outage', exact: true });
  await detail.getByText('What is known of it').click();
  const at = detail.getByLabel('Grid went away at');
  await at.fill('yesterday');
  await at.blur();
  await expect(detail).toContainText('Write it as 2026-02-28 14:05');
  await at.fill('2026-03-10 18:00');
  await at.press('Enter');
  await detail.getByLabel('Grid away for').fill('8 h');
  await detail.getByLabel('Charge at the start').fill('60');
  await detail.getByLabel('Charge at the end').fill('30');
  await detail.getByLabel('Charge at the end').press('Enter');
  await expect(detail.locator('[data-reasons] li').first()).toContainText('It began at 60 %', {
    timeout: 60_000,
  });
  await expect(detail.locator('[data-replay]')).toContainText('It was 30 %.');

  // A file that says nothing is refused in words; one that does counts before what was typed.
  const file = (text: string) => ({ name: 'storm.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  const pick = detail.locator('input[type=file]');
  await pick.setInputFiles(file('when,what\n1,2\n'));
  await expect(detail).toContainText('No column has a moment');
  const rows = Array.from({ length: 60 }, (_, index) => {
    const minute = index * 10 - 60;
    const clock = new Date(Date.UTC(2026, 2, 10, 18, 0) + minute * 60_000)
      .toISOString()
      .slice(0, 16)
      .replace('T', ' ');
    const away = minute >= 0 && minute <= 480;
    return `${clock},${away ? (95 - (minute * 30) / 480).toFixed(1) : '95'},${away ? '0.95' : '0'},0`;
  });
  await pick.setInputFiles(file(`time,charge %,battery kW,solar W\n${rows.join('\n')}\n`));
  await expect(detail).toContainText('60 readings taken');
  await expect(detail.locator('[data-reasons]')).toContainText('It began at 95 %', { timeout: 60_000 });
  await expect(detail.locator('[data-reasons]')).toContainText('The house took 950 W on average');

  await page.getByRole('button', { name: 'Battery and loads' }).click();
  await expect(page.locator('[data-evidence] tbody tr')).toHaveCount(1);
  await page.getByRole('button', { name: 'Take it into the loads of this job' }).click();
  await expect(
    page.getByText(/Loads times [\d.]+, heating and cooling times [\d.]+, by one outage/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Keep it for the company' }).click();
  await expect(page.getByText(/Kept\. The company has learned from/)).toBeVisible();

  // What really hangs there, and where it is otherwise: on the drawing, too.
  await page.getByRole('button', { name: 'As built' }).click();
  await page.getByRole('button', { name: /Take \d+ from the design/ }).click();
  await page
    .getByText(/1 of \d.*: no serial number yet/)
    .first()
    .click();
  await page.getByRole('textbox', { name: 'Serial number' }).first().fill('XK-77');
  await page.getByRole('textbox', { name: 'Serial number' }).first().press('Enter');
  await expect(page.getByText(/S\/N XK-77/)).toBeVisible();
  await page.getByRole('button', { name: 'Something built otherwise' }).click();
  const deviation = page.getByRole('group', { name: 'Something' });
  await deviation.getByRole('textbox', { name: 'As built' }).fill('63 A in place of 60 A');
  await deviation.getByRole('textbox', { name: 'As built' }).press('Enter');
  await deviation.getByRole('combobox', { name: 'On the drawing at' }).click();
  await page
    .getByRole('option', { name: /^Main breaker of/ })
    .first()
    .click();
  await bench.goTo('Wiring');
  await expect(page.locator('svg text', { hasText: '63 A in place of 60 A' })).toHaveCount(1, {
    timeout: 30_000,
  });
  await expect(page.locator('svg text', { hasText: 'S/N XK-77' })).toHaveCount(1);

  // Dates come back when they were kept, and a document is a PDF.
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Logbook' }).click();
  const due = page.getByRole('region', { name: 'Due' });
  await due.getByRole('button', { name: 'Add the usual dates' }).click();
  await expect(due.locator('[data-due]')).toContainText('Test outage with the household');
  await due.getByRole('button', { name: 'Done today: Test outage with the household' }).click();
  await page.getByRole('button', { name: 'Visits' }).click();
  await expect(page.getByText('yearly test outage').first()).toBeVisible();
  const documents = page.getByRole('region', { name: 'Documents' });
  const pdf = Buffer.from('%PDF-1.7\n% invented\n%%EOF\n');
  const pickDocument = documents.locator('input[type=file]');
  await pickDocument.setInputFiles({
    name: 'letter.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.from('no'),
  });
  await expect(documents).toContainText('Send a PDF file');
  await pickDocument.setInputFiles({ name: 'letter.pdf', mimeType: 'application/pdf', buffer: pdf });
  const download = page.waitForEvent('download');
  await documents.getByRole('link', { name: 'letter' }).click();
  await (await download).path();

  await bench.saved();
  await page.reload();
  await expect(page.locator('[data-outages] tbody tr')).toHaveCount(1, { timeout: 30_000 });
  await expect(documents.getByRole('link', { name: 'letter' })).toBeVisible();
});

test('what houses of the company taught is offered to others', async ({ page }) => {
  test.setTimeout(90_000);
  const { sheet, revision } = (await (await page.request.get('/api/company-sheet')).json()) as {
    sheet: Record<string, unknown>;
    revision: number;
  };
  const learned = [
    {
      jobId: '00000000-0000-4000-8000-0000000000f1',
      jobName: 'Another house',
      on: '2026-01-01',
      ordinaryTimes: 0.9,
      weatherTimes: 1.1,
      outages: 4,
      battery: null,
    },
  ];
  await page.request.put('/api/company-sheet', {
    data: { baseRevision: revision, sheet: { ...sheet, learned } },
  });
  await copyOfTheFarm(page, 'Learns from others', 'loads');
  const offer = page.getByRole('region', { name: 'What your houses showed' });
  await expect(offer).toContainText('loads took 0.90 times what was entered', { timeout: 30_000 });
  await offer.getByRole('button', { name: 'Bring these loads in line' }).click();
  await expect(offer).toHaveCount(0);
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Logbook' }).click();
  await page.getByRole('button', { name: 'Battery and loads' }).click();
  await expect(page.getByText(/Loads times 0\.9, .* by 4 outages of one house of the company/)).toBeVisible();
});
