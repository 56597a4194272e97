import { expect, test } from '@playwright/test';
import { Bench } from './bench';
import { copyOfTheFarm } from './farm-copy';

test('a rule is kept for the company: new jobs begin with it, and it waits for the utility it is of', async ({
  page,
}) => {
  const bench = await copyOfTheFarm(page, 'Rules to keep', 'rules');
  const bar = page.locator('[data-company-rules]');
  await expect(bar).toContainText('The company keeps');
  await page.getByRole('button', { name: 'New rule' }).click();
  const card = page.locator('lv-rule-card');
  const named = card.getByRole('textbox', { name: 'It asks, in own words' });
  // Of its own: the rule may have been kept before, and then every job begins with it.
  const name = `Room to grow ${Date.now()}`;
  await named.fill(name);
  await named.blur();
  const row = page.getByRole('table').first().getByRole('row').filter({ hasText: name });
  await expect(row).toContainText('fail');
  // With another utility it holds for nobody here, and says for whom.
  const utility = card.getByRole('textbox', { name: 'Only with the utility' });
  await utility.fill('Dale Power');
  await utility.blur();
  await expect(row).toContainText('applies to nothing here; holds for Dale Power');
  await utility.fill('');
  await utility.blur();
  await expect(row).toContainText('fail');
  await bar.getByRole('button', { name: 'Keep 1 for every new job' }).click();
  await expect(bar).toContainText('for every new job; all of them are in this job');
  await bench.saved();

  // What the company keeps, and the job has otherwise, can be taken again.
  await named.fill(`${name} a little`);
  await named.blur();
  await expect(bar).toContainText('1 differ here');
  await bar.getByRole('button', { name: 'Take 1 of the company' }).click();
  await expect(row).not.toContainText('a little');
  await expect(bar).toContainText('all of them are in this job');
  await bench.saved();

  const fresh = new Bench(page);
  await fresh.newJob('Begins with rules');
  await page.getByRole('link', { name: 'Rules' }).click();
  await expect(page.locator('[data-company-rules]')).toContainText('all of them are in this job');
});
