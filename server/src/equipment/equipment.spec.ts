import { Ajv2020 } from 'ajv/dist/2020.js';
import { randomUUID } from 'node:crypto';
import { sampleLine, type Item } from '@levamen/core/equipment';
import { itemTable, readItemTable } from '@levamen/core/equipment/details';
import { type EquipmentList, equipmentListSchema, xlsxType } from '@levamen/core/api';
import papaparse from 'papaparse';
import pg from 'pg';
import { demoItems, emptyPriceBook } from '@levamen/core/offer';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

/** The sample line under names of its own, and fittings. */
const companyItems: readonly Item[] = [
  ...sampleLine.map((item): Item => ({
    ...item,
    id: `own-${item.id}`,
    name: `Own ${item.name}`,
    goesWith: item.goesWith.map((link) => ({ ...link, itemId: `own-${link.itemId}` })),
  })),
  ...demoItems,
];

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const read = async (query = ''): Promise<EquipmentList> =>
  equipmentListSchema.parse((await test.agent.get(`/api/equipment${query}`).expect(200)).body);
const change = (of: object, baseRevision: number) =>
  test.agent
    .put('/api/equipment')
    .set('x-levamen-actor', 'Ada')
    .send({ baseRevision, changeId: randomUUID(), said: 'test', put: [], remove: [], ...of });
const byId = (items: readonly Item[]) => items.toSorted((a, b) => (a.id < b.id ? -1 : 1));

describe('the company’s equipment', () => {
  it('begins empty', async () => {
    expect(await read()).toMatchObject({ revision: 0, latest: 0, items: [], sampleHidden: false });
    await test.agent.get('/api/equipment?revision=1').expect(404);
    await test.agent.get('/api/equipment?revision=x').expect(400);
  });

  it('is kept with every revision, who made it and when', async () => {
    const put = [...companyItems];
    const { body } = await change({ put, said: 'Entered' }, 0).expect(200);
    expect((body as EquipmentList).revision).toBe(1);
    expect(byId((await read()).items)).toEqual(byId(companyItems));
    const [first] = companyItems as [Item];
    const heavier = { ...first, massKg: 150 };
    await change({ put: [heavier], remove: ['clary-12'], sampleHidden: true, said: 'Weighed' }, 1).expect(
      200,
    );
    const now = await read();
    expect(now).toMatchObject({ revision: 2, latest: 2, sampleHidden: true });
    expect(now.items.find(({ id }) => id === first.id)).toEqual(heavier);
    expect(now.items.some(({ id }) => id === 'clary-12')).toBe(false);
    const then = await read('?revision=1');
    expect(then).toMatchObject({ revision: 1, latest: 2, sampleHidden: false });
    expect(byId(then.items)).toEqual(byId(companyItems));
    expect((await test.agent.get('/api/equipment/revisions').expect(200)).body).toMatchObject([
      { revision: 2, said: 'Weighed', actor: 'Ada', itemCount: 2 },
      { revision: 1, said: 'Entered', itemCount: companyItems.length },
    ]);
    const { body: history } = await test.agent.get(`/api/equipment/items/${first.id}/history`).expect(200);
    expect((history as { item: Item }[]).map(({ item }) => item.massKg)).toEqual([150, first.massKg]);
    const { body: gone } = await test.agent.get('/api/equipment/items/clary-12/history').expect(200);
    expect((gone as { item: Item | null }[])[0]!.item).toBeNull();
  });

  it('takes a change once, nothing where nothing differs, and overwrites nobody', async () => {
    const { items, revision } = await read();
    await change({ put: items.slice(0, 2) }, revision).expect(200);
    expect((await read()).revision).toBe(revision);
    const again = { put: [{ ...items[0]!, note: 'twice' }], changeId: randomUUID() };
    await change(again, revision).expect(200);
    await change(again, revision).expect(200);
    expect((await read()).revision).toBe(revision + 1);
    const stale = await change({ put: [{ ...items[0]!, note: 'mine' }] }, revision).expect(409);
    expect((stale.body as { detail: string }).detail).toContain(items[0]!.name);
    // Another item is nobody's quarrel.
    await change({ put: [{ ...items[1]!, note: 'mine' }] }, revision).expect(200);
    await Promise.all(
      items
        .slice(2, 8)
        .map((item) => change({ put: [{ ...item, note: 'at once' }] }, revision + 2).expect(200)),
    );
    expect((await read()).items.filter(({ note }) => note === 'at once')).toHaveLength(6);
  });

  it('refuses what cannot be, in words, and takes nothing of it', async () => {
    const { items, revision } = await read();
    const [first, second] = items as [Item, Item];
    const detail = async (of: object, status = 422) =>
      ((await change(of, revision).expect(status)).body as { detail: string }).detail;
    expect(
      await detail({
        put: [{ ...first, goesWith: [{ itemId: 'nowhere', least: 0, most: 1, step: 1, per: 'each' }] }],
      }),
    ).toContain('“nowhere”, which is not in the list');
    expect(await detail({ put: [{ ...first, id: 'new', name: second.name }] })).toContain('another name');
    expect(await detail({ put: [{ ...first, id: sampleLine[0]!.id }] })).toContain('there twice');
    expect(await detail({ put: [{ ...first, massKg: -3 }] }, 400)).toContain('Correct the fields');
    expect(await detail({ put: [], remove: ['own-madder-pack'] })).toContain('names “own-madder-pack”');
    expect((await read()).revision).toBe(revision);
  });

  it('leaves as CSV, XLSX and JSON, and comes back the same', async () => {
    const { items } = await read();
    const hostile: Item = {
      ...items[0]!,
      id: 'hostile',
      name: '=HYPERLINK("x")',
      note: 'two\nlines, “quoted”;',
    };
    const { body } = await change({ put: [hostile] }, (await read()).revision).expect(200);
    const all = (body as EquipmentList).items;
    const csv = (await test.agent.get('/api/equipment/list.csv').expect(200)).text.replace('\uFEFF', '');
    expect(csv).toContain(`'=HYPERLINK`);
    const fromCsv = readItemTable(papaparse.parse<string[]>(csv.trimEnd()).data);
    expect(fromCsv.problems).toEqual([]);
    expect(fromCsv.items).toEqual(all);
    const xlsx = await test.agent.get('/api/equipment/list.xlsx').responseType('blob').expect(200);
    const { body: table } = await test.agent
      .post('/api/tables')
      .set('content-type', xlsxType)
      .send(xlsx.body as Buffer)
      .expect(200);
    expect(readItemTable(table as string[][]).items).toEqual(all);
    const file = (await test.agent.get('/api/equipment/list.json').expect(200)).body as { items: Item[] };
    expect(file.items).toEqual(all);
    const { body: schema } = await test.agent.get('/api/equipment/schema.json').expect(200);
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(schema as object);
    expect(validate(file)).toBe(true);
    expect(validate({ ...file, items: [{ ...all[0], massKg: 'heavy' }] })).toBe(false);
    expect((await test.agent.get('/api/equipment/list.csv?sample=yes').expect(200)).text).toContain(
      'Madder 47',
    );
    await test.agent.get('/api/equipment/list.pdf').expect(404);
  });

  it('keeps prices with the revision they belong to', async () => {
    const { revision, items } = await read();
    const book = {
      ...emptyPriceBook('CAD'),
      lists: [
        {
          id: 'one',
          supplier: 'Wholesaler',
          dated: '2026-11-01',
          discount: 0.125,
          delivery: '250',
          deliveryFreeFrom: null,
          leadDays: 14,
          prices: [
            { itemId: items[0]!.id, net: '8123.45' },
            { itemId: items[1]!.id, net: '100.50' },
          ],
        },
      ],
    };
    const { body } = await change({ book }, revision).expect(200);
    const kept = (body as EquipmentList).book!;
    expect(kept).toMatchObject({ currency: 'CAD', lists: [{ discount: 0.125, leadDays: 14 }] });
    expect(kept.lists[0]!.prices.map(({ net }) => net)).toEqual(['8123.45', '100.5']);
    expect((await read()).book).toEqual(kept);
    await change({ book }, revision + 1).expect(200);
    expect((await read()).revision).toBe(revision + 1);
    expect((await read(`?revision=${revision}`)).book).toBeNull();
    expect((await test.agent.get('/api/equipment/prices.csv').expect(200)).text).toContain('8123.45,CAD');
    await test.agent.get('/api/equipment/prices.xlsx').expect(200);
    await change({ book: { ...book, currency: 'QQQ' } }, revision + 1).expect(400);
    await change({ book: { ...book, hourlyRate: '-1' } }, revision + 1).expect(400);
  });

  it('takes five thousand items at once', async () => {
    const { items, revision } = await read();
    const put = Array.from({ length: 5000 }, (_, index) => ({
      ...items[1]!,
      needs: [],
      id: `many-${index}`,
      name: `Many ${index}`,
    }));
    expect(itemTable(put)).toHaveLength(5001);
    await change({ put }, revision).expect(200);
    expect((await read()).items).toHaveLength(items.length + 5000);
  });

  it('cannot be rewritten, even by hand', async () => {
    const owner = new pg.Client({ connectionString: test.database.ownerUrl });
    await owner.connect();
    for (const statement of [
      'UPDATE equipment_item SET item = NULL',
      'DELETE FROM equipment_revision',
      'DELETE FROM equipment_item',
    ])
      await expect(owner.query(statement)).rejects.toThrow('append-only');
    await owner.end();
  });
});
