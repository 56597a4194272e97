import { deflateSync } from 'node:zlib';
import { decodeMilli, demoReadings, encodeMilli, gap, newJob } from '@levamen/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { packChannel, unpackChannel } from './pack-channel.js';

let test: TestApp;
let jobId: string;
beforeAll(async () => {
  test = await openTestApp();
  const made = await test.agent.post('/api/jobs').send({ document: newJob('Metered') });
  jobId = (made.body as { id: string }).id;
});
afterAll(() => test.database.close());

const set = {
  name: 'Meter',
  zone: 'Europe/Vienna',
  startS: 1_767_225_600,
  intervalS: 900,
  count: 4,
  channels: [
    { name: 'Import', role: 'import', quantity: 'energy' },
    { name: 'Export', role: 'export', quantity: 'energy' },
  ],
};
const values = Int32Array.from([1000, gap, -3, 4_000_000]);
const base = (): string => `/api/jobs/${jobId}/readings`;
const begin = async (): Promise<string> =>
  ((await test.agent.post(base()).send(set).expect(201)).body as { id: string }).id;
const put = (id: string, position: number | string, body: Buffer) =>
  test.agent
    .put(`${base()}/${id}/channels/${position}`)
    .set('content-type', 'application/octet-stream')
    .send(body);

describe('meter data', () => {
  it('is kept channel by channel and comes back to the digit', async () => {
    const id = await begin();
    const payload = await packChannel(values);
    await put(id, 0, payload).expect(204);
    expect((await test.agent.get(`${base()}/${id}`)).body).toMatchObject({ complete: false });
    await put(id, 1, payload).expect(204);
    const back = await test.agent.get(`${base()}/${id}/channels/1`).buffer().expect(200);
    expect(await unpackChannel(back.body as Buffer)).toEqual(values);
    expect((await test.agent.get(base())).body).toMatchObject([
      { ...set, id, complete: true, bytes: 2 * payload.length },
    ]);
  });

  it('changes names and roles, not values, and is removed whole', async () => {
    const id = await begin();
    await put(id, 0, await packChannel(values));
    const channels = set.channels.map((channel) => ({ ...channel, role: 'circuit' }));
    await test.agent.put(`${base()}/${id}`).send({ name: 'Other', channels }).expect(200);
    expect((await test.agent.get(`${base()}/${id}`)).body).toMatchObject({ name: 'Other', channels });
    await test.agent
      .put(`${base()}/${id}`)
      .send({ name: 'Other', channels: channels.slice(1) })
      .expect(422);
    await test.agent.delete(`${base()}/${id}`).expect(204);
    await test.agent.get(`${base()}/${id}/channels/0`).expect(404);
  });

  it('refuses damaged, foreign and oversized values in words', async () => {
    const id = await begin();
    const wrong = await put(id, 0, deflateSync(encodeMilli(Int32Array.from([1, 2]))));
    expect([wrong.status, (wrong.body as { detail: string }).detail]).toEqual([
      422,
      'The set has 4 values a channel; these are 2.',
    ]);
    for (const body of [
      Buffer.from('noise'),
      deflateSync(Buffer.from('noise')),
      deflateSync(Buffer.alloc(60_000_000)),
    ]) {
      expect((await put(id, 0, body)).status).toBe(422);
    }
    await put(id, 2, await packChannel(values)).expect(404);
    await put(id, 'x', await packChannel(values)).expect(404);
    await test.agent.put(`${base()}/${id}/channels/0`).send({ not: 'bytes' }).expect(422);
  });

  it('belongs to its job', async () => {
    const id = await begin();
    const other = await test.agent.post('/api/jobs').send({ document: newJob('Other') });
    const otherId = (other.body as { id: string }).id;
    await test.agent.get(`/api/jobs/${otherId}/readings/${id}`).expect(404);
    await test.agent.get('/api/jobs/00000000-0000-4000-8000-000000000009/readings').expect(404);
    await test.agent.get(`${base()}/not-an-id`).expect(404);
  });

  it('refuses what is no set, with what to change', async () => {
    const answer = await test.agent.post(base()).send({ ...set, intervalS: 0, channels: [] });
    expect(answer.status).toBe(400);
    expect(answer.text).toContain('at least 1 s');
  });

  it('of a year of quarter hours takes less than a byte a reading', async () => {
    const { channels } = demoReadings();
    let bytes = 0;
    for (const { milli } of channels) bytes += (await packChannel(milli)).length;
    const each = bytes / (channels.length * channels[0]!.milli.length);
    expect(each).toBeLessThan(1);
    expect(decodeMilli(encodeMilli(channels[0]!.milli))).toEqual(channels[0]!.milli);
  });
});
