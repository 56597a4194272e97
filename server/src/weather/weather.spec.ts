import { syntheticYear, typicalClimates, writeEpw } from '@levamen/core/nature';
import { type SavedWeather, weatherHoursSchema } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const year = syntheticYear(typicalClimates[2]!, 3);
const epw = writeEpw(year);
const send = (text: string, type = 'text/csv') =>
  test.agent.post('/api/weather').set('content-type', type).send(text);

describe('years of weather', () => {
  it('are read from a file, kept once, and come back with their hours', async () => {
    const kept = (await send(epw).expect(201)).body as SavedWeather;
    expect(kept).toMatchObject({ latitudeDeg: year.latitudeDeg, zoneH: year.zoneH });
    expect(((await send(epw).expect(201)).body as SavedWeather).id).toBe(kept.id);
    expect((await test.agent.get('/api/weather').expect(200)).body).toEqual([kept]);
    const hours = weatherHoursSchema.parse(
      (await test.agent.get(`/api/weather/${kept.id}`).expect(200)).body,
    );
    expect(hours.temperatureC[4000]).toBeCloseTo(year.temperatureC[4000]!, 0);
    expect(hours.globalWPerM2[4000]).toBe(Math.round(year.globalWPerM2[4000]!));
  });

  it('are refused with the line and the reason', async () => {
    const lines = epw.split('\r\n');
    lines[99] = 'broken';
    const { body } = await send(lines.join('\r\n')).expect(422);
    expect((body as { detail: string }).detail).toContain('Line 100');
    await send('a,b').expect(422);
    await send('', 'text/csv').expect(415);
    await send(epw, 'application/octet-stream').expect(415);
    await test.agent.get('/api/weather/00000000-0000-4000-8000-000000000000').expect(404);
    await test.agent.get('/api/weather/x').expect(404);
  });
});
