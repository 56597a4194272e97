import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { dialogPassesAxe, passesAxe } from './axe';
import { Bench } from './bench';
import { farmDocument } from './farm-copy';

/** A data sheet as it is copied from one; the unit is invented. */
const sheet = `Nominal output power\t7.3 kVA
Per leg: 3.65 kVA
Switchover time: 24 ms
Total energy: 15.7 kWh
Usable capacity (kWh): 14.8
Nominal battery voltage: 51.2 V
Weight: 331 lb
Surge: 9.4 kVA for 12 s
Operating temperature: -17 to 46 °C
Colour: white`;

const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
const choose = async (page: Page, name: string, option: string): Promise<void> => {
  await page.getByRole('combobox', { name, exact: true }).press('ArrowDown');
  await page.getByRole('option', { name: option, exact: true }).click();
};
const line = (page: Page, name: string) =>
  page.getByRole('region', { name: 'Items' }).getByRole('button', { name });
const save = (page: Page) => page.getByRole('button', { name: 'Save as a revision' });

test('a company enters its equipment, designs with it, and a job says what a newer list would change', async ({
  page,
}) => {
  const now = async (): Promise<number> =>
    Number(
      (await page
        .getByText(/^revision \d+$/)
        .first()
        .textContent())!.replace(/\D/g, ''),
    );
  await page.goto('/jobs');
  await page.getByRole('link', { name: 'Equipment' }).click();
  await expect(line(page, 'Madder 47')).toBeVisible();
  const begun = await now();
  // What an earlier try has saved stays in the list.
  const unit = `Tansy ${72 + begun}`;
  const pack = `Tansy pack ${begun}`;
  await passesAxe(page);

  // From a data sheet; what is missing and what cannot be is said at once.
  await page.getByRole('button', { name: 'Enter it' }).click();
  await field(page, 'Name').fill(unit);
  await page.getByRole('button', { name: 'From a data sheet' }).click();
  await page.getByLabel(/Paste the table of a data sheet/).fill(sheet);
  await dialogPassesAxe(page);
  await page.getByRole('button', { name: 'Take 10 values' }).click();
  await expect(page.getByText('still needed')).toContainText('still needed');
  await expect(save(page)).toBeDisabled();
  await expect(field(page, 'Mass')).toHaveValue('150.1');
  await page.getByLabel('Split phase 120/240 V').check();
  await choose(page, 'Feeds', 'two legs');
  await choose(page, 'Chemistry', 'lithium');
  await field(page, 'Together at most').fill('4');
  await field(page, 'Usable energy').fill('16.1');
  await field(page, 'Usable energy').press('Enter');
  await expect(page.getByText('Usable energy is never more than the nameplate')).toBeVisible();
  await field(page, 'Usable energy').fill('14.8');
  await field(page, 'Usable energy').press('Enter');
  await expect(save(page)).toBeEnabled();

  // A pack of the same energy without an inverter, by pasting a row; what is entered outlives a reload.
  await page.getByRole('button', { name: 'From a list' }).click();
  await page
    .getByLabel('Or paste rows')
    .fill(
      `Kind,Name,Chemistry,Nominal voltage (V),Nameplate energy (kWh),Usable energy (kWh),Mass (lb)\nExpansion pack,${pack},lithium,51.2,15.7,14.8,290\nExpansion pack,Broken,lithium,51.2,15.7,19,290`,
    );
  await expect(page.getByText('1 new · 0 changed · 0 as they are · 1 rows with mistakes')).toBeVisible();
  await expect(page.getByText('Usable energy is never more than the nameplate')).toBeVisible();
  await dialogPassesAxe(page);
  await page.getByRole('button', { name: 'Take 1 items' }).click();
  await expect(page.getByText('2 not saved')).toBeVisible();
  await page.reload();
  await expect(page.getByText('2 not saved')).toBeVisible();
  await line(page, unit).click();
  await choose(page, 'Add what goes with it', `${pack} (expansion pack)`);
  await field(page, 'At most').fill('2');
  await field(page, 'At most').press('Enter');
  await choose(page, 'Add a value from elsewhere', 'Transfer gap');
  await page
    .getByRole('group', { name: 'Where it was read' })
    .getByRole('textbox')
    .fill('letter of the maker');
  await passesAxe(page);
  await save(page).click();
  await expect(page.getByText(`revision ${begun + 1}`, { exact: true }).first()).toBeVisible();
  await expect(page.getByText('Expansion pack', { exact: true })).toBeVisible();

  // A job begins with the newest list, and names what the sheet is silent on.
  const made = await page.request.post('/api/jobs', { data: { document: await sampleJob(page) } });
  const { id } = (await made.json()) as { id: string };
  const bench = new Bench(page);
  await page.goto(`/jobs/${id}/sources`);
  const card = page.getByRole('region', { name: 'Equipment to choose from' });
  await expect(card).toContainText(`revision ${begun + 1} of the company’s equipment`);
  await page.getByRole('button', { name: 'Change the units' }).click();
  await bench.choose('Inverter', new RegExp(`^${unit}`));
  await expect(page.getByText(`The data sheet of ${unit} does not say:`)).toBeVisible();
  await bench.saved();

  // What the company changes later changes no job by itself.
  await page.goto('/equipment');
  await line(page, unit).click();
  await field(page, 'Transfer gap').fill('');
  await field(page, 'Transfer gap').press('Enter');
  await expect(page.getByText('Transfer gap 24 ms → nothing')).toBeVisible();
  await page.getByLabel('Why').fill('the maker withdrew it');
  await save(page).click();
  await expect(page.getByText(`revision ${begun + 2}`, { exact: true }).first()).toBeVisible();
  await page.getByText('What it was').click();
  await expect(page.getByText('Transfer gap: 24 ms → nothing')).toBeVisible();
  await page.goto(`/jobs/${id}/sources`);
  await expect(card).toContainText('There is a newer one');
  await expect(card).toContainText(`${unit}: transfer gap 24 ms → not stated`);
  await expect(card).toContainText('→ not yet known');
  await expect(bench.margin('gap')).not.toContainText('not yet known');
  await card.getByRole('button', { name: `Move to revision ${begun + 2}` }).click();
  await expect(bench.margin('gap')).toContainText('not yet known');
  await passesAxe(page, false);
  await page.keyboard.press('Control+z');
  await expect(bench.margin('gap')).not.toContainText('not yet known');

  // Files come back as they went.
  await page.goto('/equipment');
  await page.getByText('Save as a file').click();
  for (const format of ['CSV', 'XLSX', 'JSON']) {
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: format, exact: true }).click();
    const path = await (await download).path();
    await page.getByRole('button', { name: 'From a list' }).click();
    await page
      .getByLabel(/^File/)
      .setInputFiles({ name: `list.${format.toLowerCase()}`, mimeType: '', buffer: readFileSync(path) });
    await expect(page.getByText(/0 new · 0 changed · \d+ as they are · 0 rows with mistakes/)).toBeVisible();
    await page.keyboard.press('Escape');
  }
});

/** The farmhouse as a new job. */
async function sampleJob(page: Page): Promise<object> {
  const document = await farmDocument(page);
  // A new job: of no list yet.
  const equipmentList = { workspaceId: null, revision: 0, kept: [] };
  return { ...document, equipmentList, name: 'Designed with the list' };
}
