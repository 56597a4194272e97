import { mkdirSync, writeFileSync } from 'node:fs';
import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import { Bench, draftsOn } from './bench';
import { addPhoto } from './picture';

/** `./levamen prove` makes 200 edits a device and tries every order of return; a test is a slice of that, with the same seed. */
const proving = process.env['LEVAMEN_PROVE'] === '1';
const editsEach = proving ? 200 : 14;
const orders: readonly (readonly number[])[] = proving
  ? [
      [0, 1, 2],
      [0, 2, 1],
      [1, 0, 2],
      [1, 2, 0],
      [2, 0, 1],
      [2, 1, 0],
    ]
  : [
      [0, 1, 2],
      [2, 1, 0],
    ];
const seed = 20_261_128;

test.use({ serviceWorkers: 'allow' });

interface Document {
  readonly name: string;
  readonly [key: string]: unknown;
}
interface Device {
  readonly context: BrowserContext;
  page: Page;
  /** The column whose cells it fills in. */
  readonly column: 'power' | 'hours' | 'quantity';
  readonly values: readonly string[];
}

/** What each takes a picture of. */
const photographed = ['Refrigerator', 'Chest freezer', 'Phone chargers'] as const;

let state = seed;
const pick = (below: number): number => {
  state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
  return Math.floor((state / 2 ** 32) * below);
};

const nameOf = (thing: unknown): string => {
  const { id, loadId } = thing as { id?: unknown; loadId?: unknown };
  return String(id ?? loadId ?? '');
};

/** The order of rows is nobody's: things are compared by what they are. */
function settled(value: unknown): unknown {
  if (Array.isArray(value)) {
    const items: unknown[] = value.map(settled);
    const named = items.every((item) => typeof item === 'object' && item !== null);
    return named ? items.toSorted((a, b) => nameOf(a).localeCompare(nameOf(b))) : items;
  }
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .toSorted(([a], [b]) => a.localeCompare(b))
      .map(([key, item]) => [key, settled(item)]),
  );
}

/** Random edits, as somebody makes them who walks through a house with a tablet. */
async function survey(device: Device, index: number): Promise<void> {
  const bench = new Bench(device.page);
  await bench.goTo('Loads');
  const rows = bench.table().locator('tbody tr');
  await expect(rows.first()).toBeVisible();
  for (let edit = 0; edit < editsEach; edit += 1) {
    const row = rows.nth(pick(await rows.count()));
    if (edit % 7 === 3) {
      await row.locator('td.name').click();
      await device.page.keyboard.press('Insert');
      await device.page.keyboard.type(`Found by tablet ${index}, ${edit}`);
      await device.page.keyboard.press('Enter');
    } else {
      await row.locator(`td.${device.column}`).click();
      await device.page.keyboard.press('F2');
      await row.locator(`td.${device.column} input`).fill(device.values[pick(device.values.length)]!);
      await device.page.keyboard.press('Enter');
    }
  }
  await bench.cell(photographed[index]!, 'name').click();
  await addPhoto(device.page, photographed[index]!, `Tablet ${index}`);
  await expect(device.page.locator('lv-save-mark')).toContainText('kept on this device');
}

/** What waits on a device: the document after its edits. */
interface Waiting {
  readonly document: Document;
  readonly photos: number;
}

/**
 * Moves edits and photos that wait on a device: from the job they were made in to a shelf beside it, or from the shelf to a copy
 * of the job, as if they had been made there by a window that is closed.
 */
const move = (page: Page, from: 'job' | 'shelf', jobId: string): Promise<Waiting> =>
  page.evaluate(
    async ([source, id]) => {
      const done = <T>(request: IDBRequest<T>) =>
        new Promise<T>((resolve, reject) => {
          request.onsuccess = () => resolve(request.result);
          request.onerror = () => reject(request.error ?? new Error('IndexedDB'));
        });
      const shelving = indexedDB.open('shelf', 1);
      shelving.onupgradeneeded = () => {
        for (const name of ['drafts', 'photos'])
          shelving.result.createObjectStore(name, { autoIncrement: true });
      };
      const shelf = await done(shelving);
      let document: unknown = null;
      let photos = 0;
      for (const [name, store] of [
        ['levamen', 'drafts'],
        ['levamen-photos', 'photos'],
      ] as const) {
        const database = await done(indexedDB.open(name));
        const waiting = (): IDBObjectStore => database.transaction(store, 'readwrite').objectStore(store);
        const shelved = (): IDBObjectStore => shelf.transaction(store, 'readwrite').objectStore(store);
        const all = (await done(source === 'job' ? waiting().getAll() : shelved().getAll())) as {
          jobId: string;
          document?: unknown;
        }[];
        for (const one of all) {
          if (source === 'job') await done(shelved().add(one));
          else
            await done(
              waiting().put({
                ...one,
                jobId: id,
                ...(store === 'drafts' ? { tab: 'a closed window', baseRevision: 1 } : {}),
              }),
            );
          if (store === 'drafts') document = one.document;
          else photos += 1;
        }
        if (source === 'job') await done(waiting().clear());
        database.close();
      }
      shelf.close();
      return { document: document as never, photos };
    },
    [from, jobId] as const,
  );

interface Load {
  readonly id: string;
  readonly name: string;
  readonly [field: string]: unknown;
}
const loadsOf = (document: Document): readonly Load[] => document['loads'] as readonly Load[];

test('three tablets work on one job without a network; in whatever order they come back, the job is the same', async ({
  browser,
  page,
}) => {
  test.setTimeout(proving ? 3_000_000 : 280_000);
  const desk = new Bench(page);
  await desk.newJob('Three tablets');
  await desk.addHouse('Essentials only');
  await desk.saved();
  const id = /jobs\/([0-9a-f-]+)/.exec(page.url())![1]!;
  const read = async (jobId: string): Promise<Document> =>
    ((await (await page.request.get(`/api/jobs/${jobId}`)).json()) as { document: Document }).document;
  const document = await read(id);
  const columns = [
    ['power', ['45', '80', '120', '260', '333']],
    ['hours', ['1', '2.5', '4', '6', '9']],
    ['quantity', ['1', '2', '3', '4']],
  ] as const;
  const devices: Device[] = [];
  for (const [column, values] of columns) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    devices.push({ context, page: await context.newPage(), column, values });
  }
  for (const device of devices) {
    await new Bench(device.page).find('Three tablets');
    await device.page
      .getByRole('button', { name: 'Take Three tablets along on this device' })
      .first()
      .click();
    await expect(device.page.getByRole('region', { name: 'On this device' })).toContainText('taken along', {
      timeout: 90_000,
    });
    await device.page.goto(`/jobs/${id}/loads`);
    await expect(new Bench(device.page).table()).toBeVisible();
    await device.context.setOffline(true);
  }
  for (const [index, device] of devices.entries()) await survey(device, index);
  const origin = new URL(page.url()).origin;
  const copies: string[] = [];
  for (const _ of orders) {
    const made = await page.request.post('/api/jobs', { data: { document }, headers: { origin } });
    copies.push(((await made.json()) as { id: string }).id);
  }
  for (const copy of copies) expect(settled(await read(copy))).toEqual(settled(document));

  const waiting: Waiting[] = [];
  for (const device of devices) {
    // The window that made the edits is closed.
    await device.page.close();
    device.page = await device.context.newPage();
    await device.page.goto('/equipment');
    waiting.push(await move(device.page, 'job', id));
  }
  expect(waiting.map(({ photos }) => photos)).toEqual([1, 1, 1]);

  // Every copy of the job hears of the tablets in an order of its own.
  for (const [index, order] of orders.entries()) {
    for (const place of order) {
      const device = devices[place]!;
      await move(device.page, 'shelf', copies[index]!);
      await device.context.setOffline(false);
      await device.page.goto('/jobs');
      await expect.poll(() => draftsOn(device.page), { timeout: 90_000 }).toBe(0);
      await expect(device.page.getByText(/photos? waits?|need.* decision/)).toHaveCount(0, {
        timeout: 60_000,
      });
      await device.context.setOffline(true);
      await device.page.goto('/equipment');
    }
  }

  const results = [];
  for (const copy of copies) results.push(await read(copy));
  for (const result of results) expect(settled(result)).toEqual(settled(results[0]));
  // What each of them entered is there, all of it.
  const final = new Map(loadsOf(results[0]!).map((load) => [load.id, load]));
  const before = new Map(loadsOf(document).map((load) => [load.id, load]));
  let compared = 0;
  for (const { document: mine } of waiting)
    for (const load of loadsOf(mine)) {
      const was = before.get(load.id);
      for (const [field, value] of Object.entries(load)) {
        if (was && JSON.stringify(was[field]) === JSON.stringify(value)) continue;
        expect([load.name, field, final.get(load.id)?.[field]]).toEqual([load.name, field, value]);
        compared += 1;
      }
    }
  expect(compared).toBeGreaterThan(editsEach);
  expect(results[0]!['photos']).toHaveLength(3);
  for (const { digest } of results[0]!['photos'] as readonly { readonly digest: string }[])
    for (const copy of copies)
      expect((await page.request.get(`/api/jobs/${copy}/photos/${digest}`)).status()).toBe(200);
  const folder = process.env['LEVAMEN_PROOFS'];
  if (proving && folder) {
    mkdirSync(folder, { recursive: true });
    const facts = {
      tablets: devices.length,
      'edits of each': editsEach,
      'orders of return': orders.length,
      'values compared': compared,
      seed,
      questions: 0,
      lost: 0,
    };
    writeFileSync(`${folder}/devices-converge.json`, JSON.stringify(facts));
  }
  for (const { context } of devices) await context.close();
});
