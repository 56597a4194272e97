import { type ChildProcess, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { passesAxe } from './axe';
import { copyOfTheFarm } from './farm-copy';
import { picture } from './picture';

test('a system goes into service step by step: readings are judged, the order is kept, what is off stops it, both sides sign', async ({
  page,
}) => {
  // The report at its end waits for its turn among other papers.
  test.setTimeout(240_000);
  const bench = await copyOfTheFarm(page, 'Into service', 'commissioning');
  const steps = page.getByRole('navigation', { name: 'Steps' });
  const card = page.locator('lv-step-card');
  const says = page.locator('[data-commissioned]');
  const open = (name: RegExp) => steps.getByRole('button', { name }).first().click();
  const reading = card.getByLabel(/^Reading/);
  await expect(says).toContainText(/^0 of \d+ steps are right/, { timeout: 30_000 });

  await page.getByRole('region', { name: 'Instruments' }).getByRole('button', { name: 'Instrument' }).click();

  // Typed with a unit, tapped on the keys, and refused in words.
  await open(/Insulation/);
  await reading.fill('OL');
  await reading.press('Enter');
  await expect(card).toContainText('is not a number');
  await reading.fill('> 500 MΩ');
  await reading.press('Enter');
  await expect(says).toContainText(/^1 of/);
  await open(/Protective conductor/);
  for (const key of ['0', 'Point', '9']) await card.getByRole('button', { name: key, exact: true }).click();
  await card.getByRole('button', { name: 'Take it' }).click();
  await expect(card.getByRole('alert')).toContainText(/Stop\. Leave .* without power/);
  await expect(card.getByRole('alert')).toContainText('A screw that is not tightened');
  await expect(page.locator('.stop')).toContainText('Stop: Protective conductor');
  await card.getByRole('button', { name: 'Put it on the list of what is left' }).click();
  await expect(page.getByRole('region', { name: 'Left to do' })).toContainText('1 of 1 are open');

  // What comes later waits, and nobody goes past what must be made safe.
  await steps.getByText('Energising').click();
  await open(/^Grid, L1-N/);
  await expect(card).toContainText('It waits for:');
  await expect(card.getByRole('button', { name: 'Go on all the same' })).toHaveCount(0);
  await expect(reading).toHaveCount(0);
  await page.getByRole('button', { name: /^Show Protective conductor/ }).click();
  await reading.fill('0.08');
  await reading.press('Enter');
  await expect(page.locator('.stop')).toHaveCount(0);
  await steps.getByText('Energising').click();
  await open(/^Grid, L1-N/);
  await card.getByLabel('Why it is done before its turn').fill('The megger is on another site');
  await card.getByRole('button', { name: 'Go on all the same' }).click();
  await reading.fill('131');
  await reading.press('Enter');
  await expect(card.getByRole('alert')).toContainText('A loose neutral');
  await reading.fill('121.4');
  await reading.press('Enter');
  await expect(card).toContainText('Done before its turn: The megger is on another site');
  await expect(card.getByRole('combobox', { name: 'Instrument' })).toContainText('Multimeter');
  await expect(says).toContainText(/^3 of/);

  // A photo is kept at the step; the company's own steps are taken once.
  await card.getByLabel(/^Add photos of Grid, L1-N/).setInputFiles(await picture(page, 'Terminals'));
  await expect(card.getByRole('button', { name: /^Look at Grid, L1-N/ })).toBeVisible();
  const own = page.getByRole('region', { name: 'Steps of your own' });
  const before = await steps.getByRole('button').count();
  await own.getByRole('button', { name: 'Take the company’s' }).click();
  await expect(own.getByRole('status')).toHaveText('2 taken.');
  await own.getByRole('button', { name: 'Take the company’s' }).click();
  await expect(own.getByRole('status')).toHaveText('All of them are here.');
  expect(await steps.getByRole('button').count()).toBeGreaterThanOrEqual(before);
  await passesAxe(page, false);

  // Both sign; the record leaves, and the report shows what was found.
  await bench.sign('household', 'Maud Hollis');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'CSV' }).click();
  const csv = readFileSync(await (await download).path(), 'utf8');
  expect(csv).toMatch(/Energising,"?Grid, L1-N: [^\n]*,121\.4,V,,right[^\n]*Multimeter/);
  await bench.saved();
  await page.reload();
  await expect(says).toContainText(/^3 of/, { timeout: 30_000 });
  await bench.goTo('Papers');
  await page.getByRole('button', { name: 'Report', exact: true }).click();
  await expect(page.getByText('Draft of the job as it is now.')).toBeVisible({ timeout: 90_000 });
  await expect(page.getByText(/things are not entered yet/)).toBeVisible();
});

/** A simulated system on ports of its own, played so many times as fast as the clock. */
async function simulatedSystem(modbus: number, http: number, pace: number) {
  const gateway: ChildProcess = spawn('node', ['server/dist/gateway/main.js'], {
    env: {
      ...process.env,
      LEVAMEN_GATEWAY_MODBUS: String(modbus),
      LEVAMEN_GATEWAY_HTTP: String(http),
      LEVAMEN_GATEWAY_PACE: String(pace),
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise((resolve) => gateway.stdout!.once('data', resolve));
  return {
    switches: (body: object) =>
      fetch(`http://127.0.0.1:${http}/switches`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      }),
    end: () => gateway.kill(),
  };
}

test('the devices of a system are found and read into steps, and a staged outage is recorded, told and kept', async ({
  page,
}) => {
  test.setTimeout(240_000);
  const simulated = await simulatedSystem(15_021, 15_801, 60);
  try {
    const bench = await copyOfTheFarm(page, 'Asked itself', 'commissioning');
    const steps = page.getByRole('navigation', { name: 'Steps' });
    const card = page.locator('lv-step-card');
    const says = page.locator('[data-commissioned]');
    await expect(says).toContainText(/^0 of \d+ steps are right/, { timeout: 30_000 });
    await page.getByRole('button', { name: 'System and staged outage' }).click();
    const system = page.getByRole('region', { name: 'Devices of the system' });
    const outage = page.getByRole('region', { name: 'Staged outage' });
    await expect(outage).toContainText('Enter where the devices of the system are asked first.');
    await system.getByRole('button', { name: 'Enter its address' }).click();

    // An address that is none is refused where it is typed, one nobody allowed by the server.
    const address = system.getByLabel('Address');
    await address.fill('localhost');
    await address.press('Tab');
    await expect(system).toContainText('Write its address as 192.168.1.20');
    await address.fill('10.0.0.9');
    await address.press('Tab');
    await system.getByRole('button', { name: 'Find its devices' }).click();
    await expect(system).toContainText('10.0.0.9 is in none of the networks an owner allowed');
    await address.fill('127.0.0.1');
    await system.getByLabel('Port of Modbus TCP').fill('15021');
    await system.getByLabel('Port of HTTP').fill('15801');
    await system.getByLabel('Port of HTTP').press('Tab');
    await system.getByRole('button', { name: 'Find its devices' }).click();
    await expect(system).toContainText('BAT-0004');
    await expect(system).toContainText('Unit 14: nobody answers there');
    await expect(system.getByRole('row', { name: /^On the grid yes/ })).toBeVisible();

    await outage.getByRole('button', { name: 'Begin a recording' }).click();
    await expect(outage).toContainText('Take the grid away', { timeout: 20_000 });
    const told = outage.locator('[data-told]');
    await page.waitForTimeout(3000);
    await simulated.switches({ grid: false });
    await expect(told).toContainText('The grid is gone', { timeout: 20_000 });
    await expect(told).toContainText('The house is fed from the island');
    await outage.getByRole('button', { name: 'Lights flickered' }).click();
    await expect(told).toContainText('Lights flickered');

    // A second window follows the same recording, and what is said in one is seen in the other.
    const other = await page.context().newPage();
    await other.goto(page.url());
    await other.getByRole('button', { name: 'System and staged outage' }).click();
    const theirs = other.getByRole('region', { name: 'Staged outage' });
    await expect(theirs.locator('[data-told]')).toContainText('Lights flickered', { timeout: 40_000 });
    await expect(theirs.getByRole('button', { name: 'End the recording' })).toBeVisible();
    await theirs.getByRole('button', { name: 'Clocks blink' }).click();
    await expect(told).toContainText('Clocks blink', { timeout: 40_000 });
    await other.close();
    await expect(told).toContainText('Solar feeds the island', { timeout: 30_000 });
    await passesAxe(page);
    await simulated.switches({ grid: true });
    await expect(told).toContainText('The house is on the grid', { timeout: 40_000 });
    await outage.getByRole('button', { name: 'End the recording' }).click();
    await expect(outage.getByRole('button', { name: 'Begin a recording' })).toBeEnabled();
    await expect(outage).toContainText(/It answers \d+ steps that wait for others before them/);

    // A reading of the system, taken into its step.
    await page.getByRole('button', { name: 'Steps', exact: true }).click();
    await steps.getByText('What speaks to what').click();
    await steps.getByRole('button', { name: /^Batteries that answer/ }).click();
    await card.getByLabel('Why it is done before its turn').fill('The rest was measured on Monday');
    await card.getByRole('button', { name: 'Go on all the same' }).click();
    await card.getByRole('button', { name: 'Take it from the system' }).click();
    await expect(card).toContainText('read from 127.0.0.1');
    await expect(card.getByLabel('Note')).toHaveValue(/BAT-0001/);
    await expect(says).toContainText(/^1 of/);

    // What was recorded and said is there for whoever opens the job.
    await bench.saved();
    await page.reload();
    await page.getByRole('button', { name: 'System and staged outage' }).click();
    await expect(told).toContainText('Lights flickered', { timeout: 30_000 });
    await expect(told).toContainText('The house is on the grid');
  } finally {
    simulated.end();
  }
});

test('what a staged outage measured is taken into the design in one step, and taken back', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Farmhouse on Lamp Point, built in 2023', exact: true }).click();
  await page.getByRole('link', { name: /Commissioning/ }).click();
  await expect(page.locator('[data-commissioned]')).toContainText(', 0 off, 0 open.', { timeout: 30_000 });
  await page.getByRole('button', { name: 'System and staged outage' }).click();
  const measured = page.locator('[data-measured]');
  await expect(measured.getByRole('row', { name: /^Usable energy/ })).toContainText('±', { timeout: 30_000 });
  const runtime = measured.getByRole('row', { name: /^Runtime, 28 h are asked for/ });
  await expect(runtime).toBeVisible({ timeout: 60_000 });
  const [predicted, found] = await runtime.getByRole('cell').allTextContents();
  expect(found).not.toBe(predicted);
  const margin = page.locator('[data-margin=runtime]');
  await expect(margin).toContainText(predicted!.trim());

  // The margin comes to what was said of it, and back.
  await page.getByRole('button', { name: 'Take what was measured into the design' }).click();
  await expect(page.getByText('The design counts with what this outage measured')).toBeVisible();
  await expect(margin).toContainText(found!.trim(), { timeout: 60_000 });
  await passesAxe(page);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(margin).toContainText(predicted!.trim(), { timeout: 60_000 });
  await expect(page.getByRole('button', { name: 'Take what was measured into the design' })).toBeVisible();
});

test('a training run: steps of a house with a hidden fault are done, it is named, and told how that went', async ({
  page,
}) => {
  await copyOfTheFarm(page, 'Trained on', 'commissioning');
  await expect(page.locator('[data-commissioned]')).toContainText('of', { timeout: 30_000 });
  await page.getByRole('button', { name: 'Training' }).click();
  await page.getByLabel('Number of a run').fill('12');
  await page.getByLabel('Number of a run').press('Enter');
  await page.getByRole('button', { name: 'Begin a run' }).click();
  const says = page.locator('[data-training]');
  await expect(says).toContainText('Run 12: 0 steps done', { timeout: 30_000 });
  const steps = page.getByRole('navigation', { name: 'Steps of the run' });
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(says).toContainText('one step done');
  await steps.getByText('Staged outage').click();
  await steps.getByRole('button', { name: /^Island, L1-N/ }).click();
  await page.getByRole('button', { name: 'Stage the outage' }).click();
  await page.getByRole('button', { name: 'Do it' }).click();
  await expect(page.locator('[data-found]')).toContainText('V');
  await passesAxe(page);

  await expect(page.getByRole('button', { name: 'That is it' })).toBeDisabled();
  await page.getByLabel('What is wrong with it').click();
  await page.getByRole('option', { name: 'No neutral is formed on the island' }).click();
  await page.getByLabel('What is made safe first').click();
  await page.getByRole('option', { name: /^Switch the inverter off at once/ }).click();
  await page.getByRole('button', { name: 'That is it' }).click();
  const told = page.locator('[data-told-training]');
  await expect(told).toContainText('No neutral is formed on the island: named right.');
  await expect(told).toContainText('What is made safe first: right.');
  await expect(told).toContainText(/\d+ of \d+ dead tests were not done/);
  await expect(told).toContainText('It shows at “Island, L2-N');
  await expect(page.locator('[data-runs]').getByRole('row', { name: /Trained on, run 12/ })).toBeVisible();
});
