// Takes the pictures of docs/screenshots from the running demo: ./levamen demo, then node scripts/screenshots.mjs
import { fileURLToPath } from 'node:url';
import { launchBrowser, programUrl as url } from './browser.mjs';

const folder = fileURLToPath(new URL('../docs/screenshots/', import.meta.url));
const browser = await launchBrowser();
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });

page.setDefaultTimeout(15_000);
// An invented name beside what is saved.
await page.addInitScript(() =>
  localStorage.setItem('levamen.who', JSON.stringify({ actor: 'Rowan', device: 'van tablet' })),
);

const open = async (job, stage) => {
  await page.goto(`${url}/jobs`);
  await page.getByRole('table').getByRole('link', { name: job, exact: true }).click();
  await page.locator('[data-margin=runtime]').waitFor();
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: stage }).click();
};
const shoot = async (name) => {
  // Where there is a strip, its figures stand still.
  if (await page.locator('[data-margin=runtime]').count())
    await page.locator('[data-margin=runtime][data-simulated]').waitFor();
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${folder}${name}.png` });
};

await page.goto(`${url}/jobs`);
await page.getByRole('button', { name: 'Take Farmhouse above the harbour along on this device' }).click();
await page.getByText('taken along').waitFor({ timeout: 90_000 });
await page.mouse.move(0, 0);
await shoot('jobs');
await open('Farmhouse above the harbour', 'Brief');
await shoot('brief');
const stage = (name) => page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name }).click();
const part = (name) => page.getByRole('button', { name, exact: true }).first().click();
await stage('Usage');
await part('Meter data');
await page.locator('lv-usage-charts svg').first().waitFor();
await shoot('usage');
await stage('Panels');
await page.locator('td[data-space="5"]').click();
await part('Legs');
await page.locator('lv-leg-balance table').waitFor();
await shoot('panels');
await stage('Backup set');
await page.locator('[data-item="cellar-5"]').click();
// What stands beside each circuit is simulated piece by piece.
await page.waitForTimeout(4000);
await shoot('backup');
await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Loads' }).click();
await page.locator('lv-demand-chart svg').waitFor();
await page.locator('td.name', { hasText: 'Well pump' }).click();
await shoot('loads');
await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name: 'Sources' }).click();
await shoot('sources');
await page.locator('[data-margin=runtime][data-simulated]').waitFor();
await stage('Outage');
await page.locator('lv-play-view svg').waitFor();
await page.getByLabel('Lasts').selectOption({ label: '3 d' });
await page.getByLabel('Compared with').selectOption({ label: 'One more Madder pack' });
await page.waitForTimeout(1500);
await shoot('outage');
await stage('Wiring');
await page
  .getByRole('button', { name: /^Show on the drawing/ })
  .nth(1)
  .click();
await page.getByRole('button', { name: 'Smaller' }).click();
await page.getByRole('button', { name: 'Smaller' }).click();
await shoot('wiring');
await stage('Rules');
await page.getByRole('button', { name: /^No source that feeds has two bonds/ }).click();
await shoot('rules');
await stage('Placement');
await page.locator('[data-margin=placement]').getByText('fails').waitFor({ timeout: 60_000 });
await page.getByRole('button', { name: /^Madder pack no. 2, / }).click();
await shoot('placement');
await page.getByRole('link', { name: /^Designs of this job/ }).click();
await page
  .getByRole('row', { name: /^Summer/ })
  .getByText('72 h')
  .last()
  .waitFor({ timeout: 60_000 });
await shoot('designs');
await stage('Options');
await page.getByText(/For comfort \d+ were simulated\.$/).waitFor({ timeout: 120_000 });
await page.locator('[data-free] tbody tr').first().waitFor({ timeout: 60_000 });
await shoot('options');
await stage('Daily use');
await page.locator('lv-daily-stage .answer').waitFor({ timeout: 60_000 });
await page.waitForTimeout(2500);
await shoot('daily');
await stage('Papers');
await part('Outage card');
await page.waitForTimeout(1500);
await page.getByText('Draft of the job as it is now.').waitFor({ timeout: 60_000 });
await page.getByRole('button', { name: 'Issue this outage card' }).click();
await page.locator('[data-issued]').waitFor({ timeout: 60_000 });
await shoot('papers');
await open('Farmhouse above the harbour', 'Commissioning');
await page
  .getByRole('navigation', { name: 'Steps' })
  .getByRole('button')
  .first()
  .waitFor({ timeout: 60_000 });
await page.getByLabel(/^Reading/).fill('0.9');
await page.getByRole('button', { name: 'Take it' }).click();
await page.getByText('Likely:').waitFor();
await shoot('commissioning');
await open('Farmhouse on Lamp Point, built in 2023', 'Logbook');
await page
  .locator('[data-outages]')
  .getByText(/^sun −/)
  .first()
  .waitFor({ timeout: 60_000 });
// The others are replayed one after the other.
await page.getByText('Outages are replayed…').waitFor({ state: 'detached', timeout: 60_000 });
await shoot('logbook');

await page.goto(`${url}/equipment`);
await page.getByRole('button', { name: 'Bramble 190' }).waitFor();
await page.getByRole('button', { name: 'Woad 93' }).click();
await shoot('equipment');
await page.goto(`${url}/houses`);
const skies = page.locator('.day select');
for (const [day, sky] of ['mixed', 'dull', 'dull', 'mixed'].entries()) await skies.nth(day).selectOption(sky);
await page.getByRole('button', { name: 'Ask all houses' }).click();
await page.getByText('1 of 1 do not get through;').waitFor({ timeout: 30_000 });
await shoot('houses');
await browser.close();
