import type { Server } from 'node:http';
import { findModels } from '@levamen/core/device';
import { demoJobs } from '@levamen/core/job';
import Modbus, { type ServerTCP } from 'modbus-serial';
import supertest from 'supertest';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freePort } from '../testing/free-port.js';
import { Gateway } from './gateway.js';
import { houseOfJob } from './house-of-job.js';
import { httpGateway } from './http-gateway.js';
import { modbusGateway } from './modbus-gateway.js';

let nowMs: number;
let gateway: Gateway;
let modbus: ServerTCP;
let http: Server;
let client: InstanceType<typeof Modbus.default>;

/** Time passes, s. */
const pass = (seconds: number): void => void (nowMs += seconds * 1000);
const post = (path: string, body: object) => supertest(http).post(path).send(body);
const read = async (address: number, count: number): Promise<number[]> =>
  (await client.readHoldingRegisters(address, count)).data;
const signed = (register: number): number => (register < 0x8000 ? register : register - 0x1_0000);

beforeEach(async () => {
  nowMs = Date.parse('2026-11-28T12:00:00Z');
  const { house, plates } = houseOfJob(demoJobs[0]!.job, 4);
  gateway = new Gateway(house, plates, 1, () => nowMs);
  const port = await freePort();
  modbus = modbusGateway(gateway, '127.0.0.1', port);
  await new Promise((resolve) => modbus.on('initialized', resolve as () => void));
  http = httpGateway(gateway).listen(0, '127.0.0.1');
  client = new Modbus.default();
  await client.connectTCP('127.0.0.1', { port });
  client.setTimeout(400);
});
afterEach(async () => {
  await new Promise<void>((resolve) => client.close(() => resolve()));
  await new Promise<void>((resolve) => modbus.close(() => resolve()));
  http.close();
});

// Places of registers are written down here once more, from the published layouts (recalled), and not taken from core.
describe('a gateway over Modbus TCP', () => {
  it('has its marker, who made it, and what the inverter measures', async () => {
    client.setID(1);
    expect(await read(40_000, 4)).toEqual([0x5375, 0x6e53, 1, 66]);
    const letters = (await read(40_004, 16)).flatMap((register) => [register >> 8, register & 0xff]);
    expect(String.fromCharCode(...letters)).toMatch(/^Levamen \(simulated\)/);
    expect(await read(40_070, 2)).toEqual([701, 153]);
    const [acType, , , connected] = await read(40_072, 4);
    expect([acType, connected]).toEqual([1, 1]);
    const voltage = (await read(40_085, 2)).map((register) => register / 10);
    expect(voltage[0]).toBeGreaterThan(230);
    expect(voltage[1]).toBeGreaterThan(115);
    const [high, low] = await read(40_087, 2);
    expect(((high! << 16) + low!) / 1000).toBeCloseTo(60, 0);
  });

  it('shows the island: power of the battery, no grid, the meter at nothing', async () => {
    await post('/switches', { grid: false }).expect(200);
    pass(30);
    client.setID(1);
    const [connected] = await read(40_075, 1);
    expect(connected).toBe(0);
    client.setID(20);
    expect((await read(40_070, 2))[0]).toBe(202);
    expect(signed((await read(40_072 + 16, 1))[0]!)).toBe(0);
    const { body } = await supertest(http).get('/now').expect(200);
    client.setID(1);
    const watts = signed((await read(40_080, 1))[0]!);
    expect(Math.abs(watts - body.batteryW)).toBeLessThanOrEqual(1);
    await post('/switches', { grid: true }).expect(200);
    pass(310);
    expect((await supertest(http).get('/now')).body).toMatchObject({ state: 'grid', isGridThere: true });
  });

  it('is found and read by what reads devices', async () => {
    client.setID(10);
    const found = await findModels(read);
    expect([found.models.map(({ number }) => number), found.problems]).toEqual([[1, 802], []]);
    expect(found.models[1]!.values).toMatchObject({ WHRtg: 8700, SoC: 90, AHRtg: null });
    client.setID(30);
    expect((await findModels(read)).models.map(({ number }) => number)).toEqual([1, 102]);
  });

  it('takes a limit, and refuses what may not be written or is not there', async () => {
    const before = (await supertest(http).get('/now')).body.solarW as number;
    expect(before).toBeGreaterThan(500);
    client.setID(1);
    const controls = (await findModels(read)).models.find(({ number }) => number === 704)!.address;
    // WMaxLimPctEna and WMaxLimPct: after twelve registers of power factor.
    await client.writeRegister(controls + 12, 1);
    await client.writeRegister(controls + 13, 10);
    expect((await supertest(http).get('/now')).body.solarW).toBeLessThan(before / 5);
    await expect(client.writeRegister(controls, 1)).rejects.toThrow();
    await expect(client.writeRegister(controls + 13, 400)).rejects.toThrow();
    await expect(read(39_000, 2)).rejects.toThrow(/address/i);
    client.setID(77);
    await expect(read(40_000, 2)).rejects.toThrow();
  });
});

describe('faults of a gateway', () => {
  const answers = async (unitId: number): Promise<boolean> => {
    client.setID(unitId);
    return read(40_000, 2).then(
      () => true,
      () => false,
    );
  };

  it('of batteries: one does not answer, or two share an address', async () => {
    expect([await answers(10), await answers(11), await answers(13), await answers(14)]).toEqual([
      true,
      true,
      true,
      false,
    ]);
    await post('/faults', { 'battery-missing': true }).expect(200);
    expect(await answers(13)).toBe(false);
    await post('/faults', { 'battery-missing': false, 'address-twice': true }).expect(200);
    expect([await answers(11), await answers(13)]).toEqual([false, true]);
    client.setID(10);
    const names = new Set<string>();
    for (let i = 0; i < 4; i += 1) {
      pass(1);
      names.add(String((await findModels(read)).models[0]!.values!['SN']));
    }
    expect([...names].toSorted()).toEqual(['BAT-0001', 'BAT-0002']);
  });

  it('of network and clock', async () => {
    await post('/faults', { 'flaky-network': true, 'clock-off': true }).expect(200);
    client.setID(1);
    const got = [];
    for (let i = 0; i < 6; i += 1) got.push(await answers(1));
    expect(got.filter((one) => !one)).toHaveLength(2);
    await post('/faults', { 'flaky-network': false }).expect(200);
    expect((await supertest(http).get('/now')).body.at).toBe('2026-11-28T08:43:00.000Z');
  });
});

describe('a gateway over HTTP', () => {
  it('says what there is, and names faults and loads', async () => {
    const { body } = await supertest(http).get('/').expect(200);
    expect(body.what).toContain('Nothing here switches anything real');
    const loads = (await supertest(http).get('/loads')).body as { id: string; isClosed: boolean }[];
    await post('/switches', { loads: { [loads[0]!.id]: false } }).expect(200);
    expect((await supertest(http).get('/loads')).body[0]).toMatchObject({ isClosed: false });
    expect((await supertest(http).get('/faults')).body).toHaveLength(13);
  });

  it('lets time pass faster', async () => {
    await post('/pace', { times: 60 }).expect(200);
    const before = (await supertest(http).get('/now')).body.second as number;
    pass(10);
    expect((await supertest(http).get('/now')).body.second).toBe(before + 600);
  });

  it.each([
    ['/switches', { grid: 'off' }, 422, 'grid'],
    ['/switches', { loads: { nobody: false } }, 422, 'There is no load "nobody"'],
    ['/switches', { roof: true }, 422, 'roof'],
    ['/faults', { 'on-fire': true }, 422, ''],
    ['/pace', { times: 0 }, 422, 'times'],
    ['/elsewhere', {}, 404, '/ says what there is'],
  ])('%s %j is refused in words', async (path, body, status, words) => {
    const answer = await post(path, body).expect(status);
    expect(answer.body.detail).toContain(words);
  });

  it('refuses what is no JSON', async () => {
    const answer = await supertest(http)
      .post('/pace')
      .set('content-type', 'application/json')
      .send('{')
      .expect(400);
    expect(answer.body.detail).toBe('This is no JSON');
  });
});

describe('what a gateway remembers', () => {
  const kept = async () =>
    (await supertest(http).get('/outages').expect(200)).body as {
      from: string;
      isOver: boolean;
      columns: string[];
      rows: (number | null)[][];
    }[];

  it('is its outages: from before the grid went until it was back for a while', async () => {
    expect(await kept()).toEqual([]);
    for (let minute = 0; minute < 3; minute += 1) {
      pass(60);
      await supertest(http).get('/now');
    }
    await post('/switches', { grid: false }).expect(200);
    for (let hour = 0; hour < 4; hour += 1) {
      pass(1800);
      await supertest(http).get('/now');
    }
    expect((await kept())[0]).toMatchObject({ isOver: false });
    await post('/switches', { grid: true }).expect(200);
    pass(1800);
    const [outage, ...others] = await kept();
    expect(others).toEqual([]);
    expect(outage!.isOver).toBe(true);
    const second = outage!.columns.indexOf('second');
    const isOnGrid = outage!.columns.indexOf('isOnGrid');
    expect(outage!.rows[0]![second]).toBe(0);
    expect(outage!.rows[0]![isOnGrid]).toBe(1);
    const away = outage!.rows.filter((row) => row[isOnGrid] === 0);
    const lasted = away.at(-1)![second]! - away[0]![second]!;
    expect(lasted).toBeGreaterThan(2 * 3600 - 60);
    // The grid is watched for some minutes before the house returns to it.
    expect(lasted).toBeLessThan(2 * 3600 + 900);
    expect(outage!.rows.length).toBeLessThan(1200);
    const began = Date.parse('2026-11-28T12:03:00Z');
    expect(Math.abs(Date.parse(outage!.from) - began)).toBeLessThan(180_000);
  });
});

it('a job without equipment cannot be played, and says why', () => {
  const { job } = demoJobs[0]!;
  const bare = {
    ...job,
    designs: job.designs.map((design) => ({ ...design, equipment: { ...design.equipment, stacks: [] } })),
  };
  expect(() => houseOfJob(bare, 1)).toThrow('choose it in Sources first');
});
