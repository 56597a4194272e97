import { simulatedChannels } from '@levamen/core/house/details';
import { liveSampleSchema } from '@levamen/core/api';
import express from 'express';
import request from 'supertest';
import { afterAll, describe, expect, it } from 'vitest';
import { errorHandler } from '../http/error-handler.js';
import { makeGroundPool } from '../store/ground-pool.js';
import { openTestDatabase } from '../testing/test-database.js';
import { monitorRoutes } from './monitor-routes.js';
import { keptSwitches } from './monitor-switches.js';

const database = await openTestDatabase();
const pool = makeGroundPool(database.url, () => undefined);
afterAll(async () => {
  await pool.end();
  await database.close();
});

let nowS = 1_767_225_600;
const app = express();
app.use(express.json());
app.use(
  '/monitor',
  monitorRoutes(keptSwitches(pool), () => nowS),
);
app.use(errorHandler);

const power = async (channel: string): Promise<number> => {
  const sample = liveSampleSchema.parse((await request(app).get('/monitor/5/live.json')).body);
  return sample.channels.find(({ name }) => name === channel)!.powerW;
};

describe('the simulated monitor', () => {
  it('shows 32 channels, as JSON and as CSV alike', async () => {
    const live = liveSampleSchema.parse((await request(app).get('/monitor/5/live.json').expect(200)).body);
    expect(live.channels.map(({ name }) => name)).toEqual(simulatedChannels);
    const [head, row] = (await request(app).get('/monitor/5/live.csv')).text.split('\r\n');
    expect(head!.split(',')).toHaveLength(33);
    expect(row!.split(',').slice(1).map(Number)).toEqual(live.channels.map(({ powerW }) => powerW));
  });

  it('gives history as CSV and JSON, the same for the same seed', async () => {
    const query = 'fromS=1767225600&toS=1767229200&intervalS=900';
    const csv = (await request(app).get(`/monitor/5/history.csv?${query}`)).text;
    expect(csv.trim().split('\r\n')).toHaveLength(5);
    expect((await request(app).get(`/monitor/5/history.csv?${query}`)).text).toBe(csv);
    const json = (await request(app).get(`/monitor/5/history.json?${query}`)).body as { powerW: number[][] };
    const rows = csv
      .trim()
      .split('\r\n')
      .slice(1)
      .map((line) => line.split(',').slice(1).map(Number));
    expect(json.powerW).toEqual(rows);
  });

  it('has switches', async () => {
    const before = await power('Workshop');
    await request(app).put('/monitor/5/switch').send({ channel: 'Workshop', on: true }).expect(204);
    nowS += 5;
    expect(await power('Workshop')).toBeGreaterThan(before + 800);
    await request(app).put('/monitor/5/switch').send({ channel: 'Workshop', on: false }).expect(204);
    expect(await power('Workshop')).toBeLessThan(before + 100);
  });

  it('refuses what it does not have', async () => {
    await request(app).get('/monitor/x/live.json').expect(404);
    await request(app).put('/monitor/5/switch').send({ channel: 'Moon', on: true }).expect(400);
    await request(app).get('/monitor/5/history.csv?fromS=0&toS=9999999999&intervalS=1').expect(422);
    await request(app).get('/monitor/5/history.csv?fromS=soon').expect(400);
  });
});
