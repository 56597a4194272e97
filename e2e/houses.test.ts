import { readFile } from 'node:fs/promises';
import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';

const built = 'Farmhouse on Lamp Point, built in 2023';

test('all houses are asked which would not get through the weather that comes; what is due stands in one list', async ({
  page,
}) => {
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'All houses' }).click();
  const asking = page.getByRole('region', { name: 'Which would not get through?' });
  const answers = page.getByRole('region', { name: 'Answers' });

  // Bad input is said where it stands, and nothing is asked.
  const hours = asking.getByLabel('Grid away for');
  await hours.fill('0');
  await hours.press('Enter');
  await expect(asking.getByText('Enter at least 1 h')).toBeVisible();
  await hours.fill('60');
  await hours.press('Enter');
  await asking.getByText('Which jobs: those that are built').click();
  for (const state of ['Installed', 'Inspected', 'Commissioned', 'Permission to operate'])
    await asking.getByLabel(state, { exact: true }).uncheck();
  await expect(asking.getByRole('alert')).toHaveText('Choose at least one state of jobs');
  await expect(asking.getByRole('button', { name: 'Ask all houses' })).toBeDisabled();
  await asking.getByLabel('Permit applied for', { exact: true }).check();
  await asking.getByRole('button', { name: 'Ask all houses' }).click();
  await expect(answers.getByRole('alert')).toContainText('No job has reached one of these states');
  await asking.getByLabel('Permit applied for', { exact: true }).uncheck();
  await asking.getByLabel('Commissioned', { exact: true }).check();

  // Dull days: the house that was built goes dark; clear and mild ones from a summer evening: it does not.
  const skies = asking.getByRole('combobox');
  const under = async (sky: string): Promise<void> => {
    for (let day = 0; day < (await skies.count()); day += 1) await skies.nth(day).selectOption(sky);
  };
  await asking.getByLabel('The grid goes away').fill('2026-12-20T18:00');
  await under('dull');
  const cold = asking.getByLabel('Mean temperature on 21 Dec');
  await cold.fill('-6');
  await cold.press('Enter');
  await asking.getByRole('button', { name: 'Ask all houses' }).click();
  await expect(answers.getByText(/^1 of 1 do not get through/)).toBeVisible({ timeout: 60_000 });
  const row = answers.getByRole('row').filter({ has: page.getByRole('link', { name: built }) });
  await expect(row).toContainText(/fails\s*\d+ h\s*\d+ h at least\s*battery empty/);
  await expect(answers).toContainText('60 h from 20 Dec, 18:00, charged as designed; dull, dull −6 °C');
  const downloading = page.waitForEvent('download');
  await answers.getByRole('button', { name: 'CSV' }).click();
  const csv = await readFile(await (await downloading).path(), 'utf8');
  expect(csv.split('\r\n')[0]).toContain('job,place,island,years,held,mean [h],least [h],cause');
  expect(csv).toContain(built);
  await passesAxe(page);

  await asking.getByLabel('The grid goes away').fill('2026-06-20T18:00');
  await under('clear');
  await asking.getByRole('button', { name: 'Ask all houses' }).click();
  await expect(answers.getByText('0 of 1 do not get through; 0 may not; 1 do.')).toBeVisible({
    timeout: 60_000,
  });
  await expect(row).toHaveCount(0);
  await answers.getByLabel('also those that get through').check();
  await expect(row).toContainText(/holds\s*to the end/);
  // Earlier answers are there still.
  await asking.getByRole('button', { name: /20 Dec.*1 house/ }).click();
  await expect(answers.getByText(/^1 of 1 do not get through/)).toBeVisible();

  const due = page.getByRole('region', { name: 'Due within a year' });
  await expect(due.getByRole('row').nth(1)).toContainText('overdue since 2026-10-20');
  await due.getByRole('button', { name: 'warranties' }).click();
  await expect(due.getByText('Nothing of this kind is due.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'How far the jobs are' })).toContainText(
    /Commissioned\s*1\s*the utility/,
  );
  await row.getByRole('link', { name: built }).click();
  await expect(page).toHaveURL(/\/outage/);
});
