import { expect, test, type Page } from '@playwright/test';
import { dialogPassesAxe } from './axe';
import { Bench } from './bench';

const begin = async (page: Page, name: string, part: string): Promise<Bench> => {
  const bench = new Bench(page);
  await bench.newJob(name);
  await bench.goTo('Usage');
  await bench.show(part);
  return bench;
};
const meterFile = (page: Page) => page.getByLabel('CSV or Green Button file');
const readIt = async (page: Page, zone = 'Europe/Vienna'): Promise<void> => {
  await page.getByLabel('Time zone of the house').fill(zone);
  await page.getByRole('button', { name: 'Read it', exact: true }).click();
};
const csv = (name: string, text: string) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
const quarterHours = (days: number, value: (i: number) => string): string[] =>
  Array.from(
    { length: days * 96 },
    (_, i) => `${new Date(Date.UTC(2026, 0, 1) + i * 900_000).toISOString()},${value(i)}`,
  );

test('bills are pasted, and give day averages by real days', async ({ page }) => {
  const bench = await begin(page, 'Bills', 'Bills');
  await page.getByRole('button', { name: 'Paste or import' }).click();
  await page
    .getByLabel(/^First day/)
    .fill('from,to,kWh\n2026-01-01,2026-02-01,930\n2026-02-01,2026-03-01,1120\n2026-03-01,soon,5');
  await expect(page.getByText(/Row 4 left out/)).toBeVisible();
  await page.getByRole('button', { name: 'Add 2 bills' }).click();
  const facts = page.getByRole('region', { name: 'What the bills say' });
  await expect(facts).toContainText('over 59 days');
  await expect(facts).toContainText(/40.kWhfrom 2026-02-01, 28 days/);
  await expect(facts).toContainText(/30.kWhfrom 2026-01-01, 31 days/);
  // A number that cannot be read stays where it was typed.
  const energy = page.getByRole('textbox', { name: 'kWh', exact: true }).first();
  await energy.fill('plenty');
  await energy.press('Tab');
  await expect(page.getByText('Enter kilowatt-hours')).toBeVisible();
  await expect(energy).toHaveValue('plenty');
  await energy.fill('620');
  await energy.press('Tab');
  await expect(facts).toContainText(/20.kWhfrom 2026-01-01/);
  await bench.saved();
});

test('a CSV is looked at, read with its faults named, kept, and stands beside the calculation', async ({
  page,
}) => {
  const bench = await begin(page, 'Meter CSV', 'Meter data');
  const rows = quarterHours(40, (i) => (i === 1000 ? '2.5' : '0.1'));
  rows.splice(50, 0, 'yesterday,1', '2026-01-09T00:00:00Z,lots');
  await meterFile(page).setInputFiles(csv('meter.csv', ['time,Import kWh', ...rows].join('\n')));
  await expect(page.getByRole('dialog', { name: 'meter.csv' })).toContainText('one row an interval');
  await dialogPassesAxe(page);
  await readIt(page);
  await expect(page.getByRole('heading', { name: 'What it says' })).toBeVisible();
  await expect(page.getByText('3,840 values read')).toContainText('2 lines or values left out');
  await page.getByText('What was left out').click();
  await expect(page.getByText(/Line 52: "yesterday" is not a date/)).toBeVisible();
  await expect(page.getByText(/Line 53: "lots"/)).toBeVisible();
  const says = page.getByRole('region', { name: 'What the meter says' });
  // One quarter hour of 2.5 kWh is 10 kW; 125 % of it are 12.5 kW.
  await expect(says).toContainText('10kW');
  await expect(says).toContainText('12.5kW');
  await bench.addHouse('Essentials only');
  await bench.goTo('Sources');
  await expect(page.getByText('Measured, 125 % of the highest quarter hour')).toBeVisible();
  await expect(page.getByText('12.5').first()).toBeVisible();
  await bench.saved();
  // Found again after a reload, and removed.
  await page.reload();
  await bench.goTo('Usage');
  await bench.show('Meter data');
  await expect(says).toContainText('12.5kW');
  await page.getByRole('button', { name: 'Remove meter.csv' }).click();
  await expect(says).toHaveCount(0);
});

test('a Green Button file is read; other XML and nonsense are refused in words', async ({ page }) => {
  await begin(page, 'Green Button', 'Meter data');
  const alert = page.getByRole('alert');
  await meterFile(page).setInputFiles(csv('drawing.xml', '<svg xmlns="http://www.w3.org/2000/svg"></svg>'));
  await expect(alert).toContainText('not Green Button');
  await meterFile(page).setInputFiles(csv('letter.txt', 'Dear customer,\nthank you.'));
  await expect(alert).toContainText('no rows with a date and a number');
  const readings = Array.from(
    { length: 96 },
    (_, i) =>
      `<IntervalReading><timePeriod><duration>900</duration><start>${1_767_225_600 + i * 900}</start></timePeriod><value>250</value></IntervalReading>`,
  ).join('');
  const xml = `<?xml version="1.0"?><feed xmlns="http://www.w3.org/2005/Atom"><entry><link rel="self" href="/ReadingType/1"/><content><ReadingType xmlns="http://naesb.org/espi"><flowDirection>1</flowDirection><uom>72</uom><powerOfTenMultiplier>0</powerOfTenMultiplier><intervalLength>900</intervalLength></ReadingType></content></entry><entry><link rel="up" href="/MeterReading/1/IntervalBlock"/><content><IntervalBlock xmlns="http://naesb.org/espi">${readings}</IntervalBlock></content></entry></feed>`;
  await meterFile(page).setInputFiles(csv('usage.xml', xml));
  await readIt(page, 'UTC');
  await expect(page.getByRole('region', { name: 'What the meter says' })).toContainText('24kWh');
  await meterFile(page).setInputFiles(csv('cut.xml', xml.slice(0, xml.length / 2)));
  await readIt(page, 'UTC');
  await expect(alert).toContainText('The XML is broken');
});

test('channels find their circuits; a turned sensor is turned; loads take what was measured', async ({
  page,
}) => {
  const bench = new Bench(page);
  await bench.open('Farmhouse above the harbour');
  await bench.find('Farmhouse above the harbour');
  await page.getByRole('button', { name: 'Duplicate Farmhouse above the harbour', exact: true }).click();
  // Leaving at once would call the request back.
  await expect(
    page.getByRole('link', { name: 'Farmhouse above the harbour (copy)', exact: true }),
  ).toBeVisible();
  await bench.open('Farmhouse above the harbour (copy)');
  await bench.goTo('Usage');
  await bench.show('Meter data');
  // The copy shares the readings of the first; others are read from the monitor.
  await expect(page.getByRole('heading', { name: 'Channels' })).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Read the simulated monitor' }).click();
  await readIt(page, 'America/Halifax');
  // Until it is through, nothing can be asked of the channels that would be dropped.
  await page.getByRole('button', { name: 'Turn Laundry round' }).click({ timeout: 40_000 });
  await expect(page.getByRole('button', { name: 'Turn Laundry round' })).toHaveCount(0);
  const runtime = await bench.margin('runtime').locator('.figures').textContent();
  await page.getByRole('button', { name: 'Take the measured figures of Septic aerator' }).click();
  await expect(page.getByText(/Septic aerator: .* while running, as measured/)).toBeVisible();
  await page.getByRole('button', { name: 'Take the measured figures of Boiler circulators' }).click();
  await expect(bench.margin('runtime').locator('.figures')).not.toHaveText(runtime!);
  await bench.goTo('Loads');
  await expect(bench.cell('Septic aerator', 'name')).toContainText('meas.');
  await page.getByRole('button', { name: /^Undo/ }).click();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(bench.cell('Septic aerator', 'name')).not.toContainText('meas.');
});

test('a long file can be stopped while it is read', async ({ page }) => {
  await begin(page, 'Stopped', 'Meter data');
  const heads = Array.from({ length: 32 }, (_, i) => `Circuit ${i} [W]`).join(',');
  const line = Array.from({ length: 32 }, (_, i) => (i * 37.5).toFixed(1)).join(',');
  const lines = Array.from(
    { length: 180_000 },
    (_, i) => `${new Date(Date.UTC(2026, 0, 1) + i * 60_000).toISOString()},${line}`,
  );
  await meterFile(page).setInputFiles(csv('minutes.csv', [`time,${heads}`, ...lines].join('\n')));
  await readIt(page);
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('progressbar')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'What it says' })).toHaveCount(0);
});

test('outages show what share of them the required runtime covers', async ({ page }) => {
  const bench = await begin(page, 'Outages', 'Outages');
  await page.getByRole('button', { name: 'Paste or import' }).click();
  await page
    .getByLabel(/^Start, and either/)
    .fill('2024-01-01 10:00,2 h\n2025-01-01 10:00,30 h\n2026-01-01 10:00,40 s');
  await page.getByRole('button', { name: 'Add 3 outages' }).click();
  const says = page.getByRole('region', { name: 'What the outages say' });
  await expect(says).toContainText('50 % of the longer outages');
  await page.getByLabel('Start of an outage').fill('2026-02-01T08:00');
  await page.getByLabel('Length of the outage').fill('a while');
  await page.getByRole('button', { name: 'Add the outage' }).click();
  await expect(page.getByText('is not a number')).toBeVisible();
  await page.getByLabel('Length of the outage').fill('3:30');
  await page.getByLabel('Length of the outage').press('Enter');
  await expect(says).toContainText('67 % of the longer outages');
  await page.getByRole('textbox', { name: /^SAIFI/ }).fill('1.5');
  await page.getByRole('textbox', { name: /^SAIFI/ }).press('Enter');
  await expect(says).toContainText('CAIDI');
  await bench.goTo('Brief');
  await expect(page.getByText('Of the 3 longer outages on record, 24 h cover 67 %')).toBeVisible();
  await bench.saved();
});

test('a clamp-meter walk measures a load, start included', async ({ page }) => {
  const bench = new Bench(page);
  await bench.newJob('Walk');
  await bench.addHouse('Country house with well and oil boiler');
  await bench.goTo('Usage');
  await bench.show('Live');
  await page.getByLabel('Monitor at').fill('/api/monitor/77');
  await page.getByRole('button', { name: 'Read it live' }).click();
  await expect(page.getByRole('rowheader', { name: 'Workshop' })).toBeVisible();
  await page.getByRole('combobox', { name: 'Load' }).click();
  await page.getByRole('option', { name: 'Sump pump' }).first().click();
  await page.getByRole('combobox', { name: 'Channel' }).click();
  await page.getByRole('option', { name: 'Workshop' }).click();
  await page.waitForTimeout(4000);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByRole('button', { name: /^Switch it on/ }).click();
  await page.getByRole('button', { name: 'Take as measured' }).click({ timeout: 20_000 });
  await expect(page.getByText(/taken as measured/)).toBeVisible();
  await bench.goTo('Loads');
  const name = bench.table().locator('td.name', { hasText: 'Sump pump' }).first();
  await expect(name).toContainText('meas.');
  await bench.saved();
});
