import { expect, test } from '@playwright/test';
import { Bench } from './bench';

test('keys: stages, palette, list of keys, undo; what is typed beside a field leads nowhere', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await page.keyboard.type('20 Kitchen, 40/2?');
  await expect(page).toHaveURL(/brief$/);
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('Alt+6');
  await page.waitForURL('**/sources');
  await page.keyboard.press('Alt+4');
  await page.waitForURL('**/loads');
  await page.keyboard.press('Control+/');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText('Go to the stage');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: /^Find/ })).toBeFocused();
  await page.keyboard.type('septic');
  await expect(page.getByRole('option', { name: /Load Septic aerator/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(bench.cell('Septic aerator', 'name')).toBeFocused();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: /^Find/ })).toBeFocused();
  await page.keyboard.type('cellar garage circuit');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/panels');
  await expect(bench.space(20)).toBeFocused();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox', { name: /^Find/ })).toBeFocused();
  await page.keyboard.type('nameplate lithium');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Working' })).toContainText('With the numbers put in');
});

test('a margin opens its working, down to where a number comes from', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await bench.margin('runtime').click();
  const drawer = page.getByRole('complementary', { name: 'Working' });
  await expect(drawer).toContainText('Required runtime');
  await drawer
    .locator('dl div', { hasText: /^Runtime/ })
    .getByRole('button')
    .click();
  await expect(drawer).toContainText('no sun and no generator are counted');
  await drawer.locator('dl div', { hasText: 'Usable energy' }).getByRole('button').click();
  await drawer.locator('dl div', { hasText: 'Temperature factor' }).getByRole('button').click();
  await expect(drawer).toContainText('Common practice, no source');
  await drawer.getByRole('button', { name: 'Back' }).click();
  await expect(drawer).toContainText('Usable energy in an outage');
  await page.keyboard.press('Escape');
  await expect(drawer).toBeHidden();
  await expect(bench.margin('runtime')).toBeFocused();
});

test('assumed values are shown as assumed until somebody sets them', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Assumptions');
  const field = page.locator('lv-amount-field', { hasText: 'Required runtime' });
  await expect(field).toContainText('assumed');
  await field.getByRole('textbox').fill('2 days');
  await field.getByRole('textbox').press('Enter');
  await expect(field.getByRole('textbox')).toHaveValue('48');
  await expect(field).not.toContainText('assumed');
  await field.getByRole('textbox').fill('');
  await field.getByRole('textbox').press('Enter');
  await expect(field).toContainText('assumed');
});

test('bad input in the brief stays where it was typed', async ({ page }) => {
  await new Bench(page).newJob('Refusals');
  for (const [label, text, words] of [
    ['Required runtime', '-3', 'at least 0.5 h'],
    ['Required runtime', 'a while', 'is not a number'],
    ['Service rating', '99999', 'at most 1200 A'],
    ['Battery temperature then', '400', 'at most 140 °F'],
    ['Time zone', 'Nowhere/Land', 'Use a time zone name'],
  ] as const) {
    const field = page.locator('lv-amount-field, lv-text-field', { hasText: label });
    await field.getByRole('textbox').fill(text);
    await field.getByRole('textbox').press('Enter');
    await expect(field).toContainText(words);
    await expect(field.getByRole('textbox')).toHaveValue(text);
    await field.getByRole('textbox').press('Escape');
  }
});

test('files of another program, of a newer version and too large ones are refused in words', async ({
  page,
}) => {
  await page.goto('/jobs');
  const upload = async (name: string, content: string | Buffer): Promise<void> =>
    page
      .getByLabel(/Import a/)
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  const alert = page.getByRole('alert');
  await upload('other.json', '{"hello":"world"}');
  await expect(alert).toContainText('not made by Levamen');
  await upload('newer.levamen.json', '{"format":"levamen-job","version":999}');
  await expect(alert).toContainText('newer Levamen');
  await upload('broken.json', '{');
  await expect(alert).toContainText('is not JSON');
  await upload('huge.levamen.json', Buffer.alloc(5_000_000, 120));
  await expect(alert).toContainText('has 5 MB');
});

test('hostile text is text', async ({ page }) => {
  const bench = new Bench(page);
  let alerted = false;
  page.on('dialog', (dialog) => {
    alerted ||= dialog.type() === 'alert';
    void dialog.accept();
  });
  const name = `<img src=x onerror="alert(1)">'; DROP TABLE job; --`;
  await bench.newJob(name);
  await bench.addHouse('Essentials only');
  await bench.type('Chest freezer', 'name', '<script>alert(2)</script>');
  await expect(bench.cell('<script>', 'name')).toContainText('<script>alert(2)</script>');
  await bench.margin('runtime').click();
  await bench.saved();
  await page.goto('/jobs');
  await expect(page.getByRole('link', { name, exact: true }).first()).toBeVisible();
  expect(alerted).toBe(false);
});

test('metric and imperial, light and dark', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await expect(page.getByText('ft²')).toBeVisible();
  await page.getByRole('button', { name: 'Switch between metric and imperial' }).click();
  await expect(page.getByText('m²')).toBeVisible();
  await page.getByRole('button', { name: 'Switch between metric and imperial' }).click();
  await page.getByRole('button', { name: 'Dark scheme' }).click();
  await expect(page.locator('html')).toHaveClass(/ink-dark/);
  await page.getByRole('button', { name: 'Light scheme' }).click();
  await bench.saved();
});

test('the description of the API can be read', async ({ page }) => {
  await page.goto('/api/docs');
  await expect(page.getByText('Save a job; names the revision it started from')).toBeVisible();
});
