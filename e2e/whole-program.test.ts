import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { expect, type Page, test } from '@playwright/test';
import { demoJobs, withDemoDesigns } from '@levamen/core/job';
import { Bench } from './bench';

/** Where the launcher notes its processes; `./levamen prove` starts it, with two servers and a proxy in front. */
const run = process.env['LEVAMEN_E2E_RUN'] ?? '';
/** Papers are simulated, laid out and set; a server that was killed on the way takes them up again. */
const made = { timeout: 180_000 };

interface Lived {
  readonly name: string;
  readonly path: string;
  readonly requiredH: string;
  /** "1 of 37 steps are right …" */
  readonly commissioned: string;
  readonly papers: readonly { readonly address: string; readonly digest: string }[];
}

/** Ends a process as a power cut would; the launcher, or whoever uses it, begins it anew. */
const victims = {
  'first server': () => Number(readFileSync(join(run, 'server.pid'), 'utf8').split(' ')[0]),
  'second server': () => Number(readFileSync(join(run, 'server-2.pid'), 'utf8').split(' ')[0]),
  database: () => {
    const place = join(run, '../pg.place');
    const home = existsSync(place) ? readFileSync(place, 'utf8') : join(run, '../pg');
    return Number(readFileSync(join(home, 'data/postmaster.pid'), 'utf8').split('\n')[0]);
  },
  'maker of papers': () =>
    Number(
      execFileSync('pgrep', ['-f', 'papers/making/paper-worker.js'], { encoding: 'utf8' }).split('\n')[0],
    ),
} as const;
type Victim = keyof typeof victims;

class Whole {
  readonly bench: Bench;
  readonly killed: Victim[] = [];
  signedOut = 0;

  constructor(readonly page: Page) {
    this.bench = new Bench(page);
    page.on('response', (answer) => {
      if (answer.status() === 401 && answer.url().includes('/api/')) this.signedOut += 1;
    });
  }

  kill(victim: Victim): void {
    process.kill(victims[victim](), 'SIGKILL');
    this.killed.push(victim);
  }

  /** A house from nothing: supply, loads, a panel typed from its legend. */
  async begin(name: string, supply: string, house: string, legend: readonly string[]): Promise<void> {
    const { page, bench } = this;
    await bench.newJob(name, supply);
    await bench.addHouse(house);
    await bench.goTo('Panels');
    await page.getByRole('button', { name: 'Begin with the service and its panel' }).press('Enter');
    await expect(bench.space(1)).toBeFocused();
    for (const [index, text] of legend.entries()) {
      await page.keyboard.type(text, { delay: 15 });
      await page.keyboard.press('Enter');
      await expect(page.locator('.breaker')).toHaveCount(index + 1);
    }
  }

  /** A job that comes as a file. */
  async import(file: { name: string; buffer: Buffer }, name: string): Promise<void> {
    await this.page.goto('/jobs');
    await this.page.getByLabel(/Import a/).setInputFiles({ ...file, mimeType: 'application/json' });
    await expect(this.page.getByLabel('Name of the job')).toHaveValue(name);
  }

  /** From the brief to signatures and papers, every stage on the way. */
  async live(name: string, requiredH: string, onTheWay: (stage: string) => void): Promise<Lived> {
    const { page, bench } = this;
    await bench.goTo('Brief');
    const required = page.getByRole('textbox', { name: 'Required runtime' });
    await required.fill(requiredH);
    await required.blur();
    await expect(bench.margin('runtime')).toHaveAttribute('data-simulated', 'true', made);
    onTheWay('Brief');
    await bench.goTo('Sources');
    const use = page.getByRole('button', { name: /^Use / }).first();
    const choice = page.getByRole('heading', { name: 'Your choice' });
    await expect(use.or(choice).first()).toBeVisible({ timeout: 60_000 });
    if (await use.isVisible()) await use.click();
    await expect(choice).toBeVisible();
    for (const stage of ['Usage', 'Backup set', 'Options', 'Daily use', 'Wiring', 'Placement'] as const) {
      await bench.goTo(stage);
      await expect(page.getByRole('main').getByRole('heading').first()).toBeVisible({ timeout: 30_000 });
      onTheWay(stage);
    }
    await bench.goTo('Outage');
    await expect(page.locator('lv-play-view svg').first()).toBeVisible(made);
    onTheWay('Outage');

    await bench.goTo('Commissioning');
    const says = page.locator('[data-commissioned]');
    await expect(says).toContainText(/of \d+ steps/, { timeout: 60_000 });
    const insulation = page
      .getByRole('navigation', { name: 'Steps' })
      .getByRole('button', { name: /Insulation/ })
      .first();
    if (await insulation.isVisible()) {
      await insulation.click();
      const reading = page.locator('lv-step-card').getByLabel(/^Reading/);
      await reading.fill('> 500 MΩ');
      await reading.press('Enter');
      await expect(says).toContainText(/^1 of/);
    }
    await bench.sign('installer', 'Rowan');
    await bench.sign('household', 'Maud Hollis');
    await bench.saved();
    const commissioned = (await says.textContent())!.trim();
    onTheWay('Commissioning');

    await bench.goTo('Papers');
    const papers: { address: string; digest: string }[] = [];
    for (const kind of ['Outage card', 'Report']) {
      await page.getByRole('button', { name: kind, exact: true }).click();
      // A page that was answered by nobody says so, and offers to try again.
      await expect(async () => {
        const again = page.getByRole('button', { name: 'Try again' });
        if (await again.isVisible()) await again.click();
        await expect(page.getByText('Draft of the job as it is now.')).toBeVisible({ timeout: 5000 });
      }).toPass(made);
      await page.getByRole('button', { name: /Issue this / }).click();
      onTheWay(`Papers: ${kind}`);
      await expect(async () => {
        const said = page.locator('[data-issued]');
        const refused = page.locator('lv-issued-list').getByRole('alert');
        if (await refused.isVisible()) await page.getByRole('button', { name: /Issue this / }).click();
        await expect(said).toContainText('revision A', { timeout: 15_000 });
      }).toPass(made);
      const row = page.locator('lv-issued-list [data-paper="A"]').first();
      const address = (await row.getByRole('link', { name: 'PDF' }).getAttribute('href'))!;
      const digest = (await row.locator('.digest').getAttribute('title'))!;
      expect(await this.digestOf(address)).toBe(digest);
      papers.push({ address, digest });
    }
    await bench.goTo('Logbook');
    await page.getByRole('button', { name: 'An outage' }).click();
    await bench.saved();
    onTheWay('Logbook');
    return {
      name,
      path: new URL(page.url()).pathname.split('/').slice(0, 3).join('/'),
      requiredH,
      commissioned,
      papers,
    };
  }

  /** SHA-256 of what an address gives, as the page gets it; a proxy between two servers may need a second try. */
  digestOf(address: string): Promise<string> {
    return this.page.evaluate(async (from) => {
      for (let attempt = 0; ; attempt += 1) {
        const answer = await fetch(from).catch(() => null);
        if (answer?.ok) {
          const digest = await crypto.subtle.digest('SHA-256', await answer.arrayBuffer());
          return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
        }
        if (attempt > 50) throw new Error(`${from} answers ${answer?.status ?? 'nothing'}`);
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
    }, address);
  }
}

const legend = ['50/2 Range', '30/2 Dryer', '20 Fridge', '20 Counter', '15 Hall', '15 Furnace', '20 Well'];
const fromNothing = [
  ['Mill house', 'Split phase 120/240 V', 'Country house with well and oil boiler'],
  ['Gas house', 'Split phase 120/240 V', 'Suburban house with gas furnace'],
  ['Warm house', 'Split phase 120/240 V', 'All-electric house with heat pump'],
  ['Small house', 'Two legs of 120/208 V', 'Essentials only'],
  ['Row house', 'Single phase 230 V', 'Row house with hydronic heat pump'],
] as const;

test('seven jobs live from the brief to signatures and issued papers, on two servers behind a proxy, while each process is killed once', async ({
  page,
}) => {
  test.setTimeout(45 * 60_000);
  const began = Date.now();
  const whole = new Whole(page);
  const { bench } = whole;
  await page.goto('/jobs');
  await page.getByLabel('Company').fill('Hill Electric');
  await page.getByLabel('Your name').fill('Ada');
  await page.getByLabel('Mail address').fill('ada@example.org');
  await page.getByLabel('Password').fill('meadow harbour kettle nine');
  await page.getByRole('button', { name: 'Begin' }).click();
  await expect(
    page
      .locator('[data-who]')
      .or(page.getByRole('heading', { name: 'New job' }))
      .first(),
  ).toBeVisible();
  whole.signedOut = 0;

  /** Which process is killed in which job, after which stage. */
  const kills: Readonly<Record<string, readonly [stage: string, victim: Victim]>> = {
    'Gas house': ['Wiring', 'first server'],
    'Warm house': ['Commissioning', 'database'],
    'Small house': ['Papers: Outage card', 'maker of papers'],
    'Row house': ['Papers: Report', 'second server'],
  };
  const killer =
    (name: string) =>
    (stage: string): void => {
      const planned = kills[name];
      if (planned?.[0] === stage) whole.kill(planned[1]);
    };
  const lived: Lived[] = [];
  for (const [name, supply, house] of fromNothing) {
    await whole.begin(name, supply, house, legend);
    lived.push(await whole.live(name, String(12 + lived.length), killer(name)));
  }
  for (const { job } of demoJobs) {
    const document = withDemoDesigns(job);
    const buffer = Buffer.from(JSON.stringify(document));
    await whole.import({ name: 'demo.levamen.json', buffer }, document.name);
    lived.push(await whole.live(document.name, String(12 + lived.length), killer(document.name)));
  }
  expect(whole.killed).toHaveLength(4);

  // Everything that was entered is there, papers are what they were, byte for byte, and nobody was signed out.
  let lost = 0;
  let papers = 0;
  for (const { path, requiredH, commissioned, papers: issued } of lived) {
    await page.goto(`${path}/brief`);
    const required = page.getByRole('textbox', { name: 'Required runtime' });
    await expect(required).toBeVisible();
    if ((await required.inputValue()) !== requiredH) lost += 1;
    await page.goto(`${path}/commissioning`);
    await expect(page.getByRole('img', { name: 'Signature of Maud Hollis' })).toBeVisible({
      timeout: 60_000,
    });
    const says = page.locator('[data-commissioned]');
    await expect(says).toContainText(/of \d+ steps/, { timeout: 60_000 });
    if ((await says.textContent())!.trim() !== commissioned) lost += 1;
    for (const { address, digest } of issued) {
      papers += 1;
      if ((await whole.digestOf(address)) !== digest) lost += 1;
    }
  }
  expect(lost).toBe(0);
  expect(papers).toBe(14);
  expect(whole.signedOut).toBe(0);
  await bench.find(lived[0]!.name);
  const folder = process.env['LEVAMEN_PROOFS'];
  if (folder) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(
      join(folder, 'whole-program.json'),
      JSON.stringify({
        'jobs from nothing': fromNothing.length,
        'jobs of the demo': demoJobs.length,
        stages: 'all 13, and the papers',
        killed: whole.killed.join(', '),
        'papers issued, the same byte for byte': papers,
        'values lost': lost,
        'answers that asked to sign in': whole.signedOut,
        minutes: ((Date.now() - began) / 60_000).toFixed(1),
      }),
    );
  }
});
