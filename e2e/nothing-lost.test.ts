import { mkdirSync, writeFileSync } from 'node:fs';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { Bench, draftsOn } from './bench';
import { killServer, startServer } from './server';

/** `./levamen prove` goes on for a thousand saves; a test is a slice of that, with the same seed. */
const proving = process.env['LEVAMEN_PROVE'] === '1';
const steps = proving ? 1000 : 24;
const seed = 20_261_126;
/** What is typed is on the device after this long, ms. */
const keptMs = 60;

/** One device: what it typed last, and what it was told is saved. */
interface Device {
  readonly name: string;
  readonly context: BrowserContext;
  readonly field: (page: Page) => ReturnType<Page['getByRole']>;
  page: Page;
  typed: string;
  readonly acknowledged: Set<string>;
}

let state = seed;
/** A whole number below `below`; the same numbers in every run. */
const pick = (below: number): number => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return Math.floor((state / 2 ** 32) * below);
};

test.afterEach(startServer);

test('a server that is killed, lines that drop, windows that close and reload: nothing acknowledged and nothing typed is lost', async ({
  browser,
}) => {
  test.setTimeout(proving ? 3_000_000 : 240_000);
  const first = await browser.newContext();
  const page = await first.newPage();
  await new Bench(page).newJob('Nothing is lost');
  await new Bench(page).saved();
  const address = page.url();
  const second = await browser.newContext();
  const devices: Device[] = [
    {
      name: 'desk',
      context: first,
      page,
      field: (on) => on.getByRole('textbox', { name: 'Place' }),
      typed: '',
      acknowledged: new Set(),
    },
    {
      name: 'tablet',
      context: second,
      page: await second.newPage(),
      field: (on) => on.getByRole('textbox', { name: 'What was said and seen' }),
      typed: '',
      acknowledged: new Set(),
    },
  ];
  await devices[1]!.page.goto(address);
  await expect(devices[1]!.field(devices[1]!.page)).toBeVisible();

  const reopen = async (device: Device): Promise<void> => {
    await device.page.waitForTimeout(keptMs);
    await device.page.close();
    device.page = await device.context.newPage();
    await device.page.goto(address).catch(() => undefined);
  };
  const faults = { kills: 0, 'lines dropped': 0, 'windows closed': 0, reloads: 0 };
  let isServerAway = false;
  const away = new Map<Device, number>();
  /** Until the device shows the job: while its line or the server is away it cannot be opened. */
  const usable = async (device: Device): Promise<boolean> => {
    if (await device.field(device.page).isVisible()) return true;
    if (isServerAway || away.has(device)) return false;
    await device.page.goto(address);
    await expect(device.field(device.page)).toBeVisible();
    return true;
  };

  for (let step = 1; step <= steps; step += 1) {
    const device = devices[step % 2]!;
    if (await usable(device)) {
      const text = `${device.name} ${step}`;
      await device.field(device.page).fill(text);
      device.typed = text;
      // Longer than the pause after which it is saved, or not.
      await device.page.waitForTimeout(keptMs + pick(3) * 500);
      const mark = await device.page.locator('lv-save-mark').textContent();
      if (mark?.trim() === 'saved') device.acknowledged.add(text);
    }
    for (const [one, until] of away) {
      if (until > step) continue;
      away.delete(one);
      await one.context.setOffline(false);
    }
    if (isServerAway) {
      if (pick(2) === 0) {
        await startServer();
        isServerAway = false;
      }
      continue;
    }
    const chance = pick(12);
    if (chance === 0) {
      await killServer();
      isServerAway = true;
      faults.kills += 1;
    } else if (chance === 1 && away.size === 0) {
      await device.context.setOffline(true);
      away.set(device, step + 3);
      faults['lines dropped'] += 1;
    } else if (chance === 2) {
      await reopen(device);
      faults['windows closed'] += 1;
    } else if (chance === 3 && !away.has(device)) {
      await device.page.waitForTimeout(keptMs);
      await device.page.reload();
      faults.reloads += 1;
    }
  }

  await startServer();
  isServerAway = false;
  for (const device of devices) {
    await device.context.setOffline(false);
    away.delete(device);
    expect(await usable(device)).toBe(true);
    await expect(device.page.locator('lv-save-mark')).toContainText(/^\s*saved/, { timeout: 30_000 });
    await expect.poll(() => draftsOn(device.page)).toBe(0);
  }
  const id = /jobs\/([0-9a-f-]+)/.exec(address)![1]!;
  const { document } = (await (await devices[0]!.page.request.get(`/api/jobs/${id}`)).json()) as {
    document: { site: { place: string }; brief: { notes: string } };
  };
  expect([document.site.place, document.brief.notes]).toEqual(devices.map(({ typed }) => typed));

  // Whatever a device was told is saved stands in a revision.
  const { request } = devices[0]!.page;
  const { revision: head } = (await (await request.get(`/api/jobs/${id}`)).json()) as { revision: number };
  const there = new Set<string>();
  for (let revision = 1; revision <= head; revision += 1) {
    const one = (await (await request.get(`/api/jobs/${id}/revisions/${revision}`)).json()) as {
      document: { site: { place: string }; brief: { notes: string } };
    };
    there.add(one.document.site.place).add(one.document.brief.notes);
  }
  for (const { acknowledged } of devices) {
    for (const text of acknowledged) expect(there).toContain(text);
  }
  const folder = process.env['LEVAMEN_PROOFS'];
  if (proving && folder) {
    mkdirSync(folder, { recursive: true });
    const facts = {
      'values typed': steps,
      seed,
      'saves that reached the server': head - 1,
      'values acknowledged': devices.reduce((sum, { acknowledged }) => sum + acknowledged.size, 0),
      ...faults,
      lost: 0,
    };
    writeFileSync(`${folder}/nothing-lost.json`, JSON.stringify(facts));
  }
  await first.close();
  await second.close();
});
