import { deflateSync } from 'node:zlib';
import { gap } from '@levamen/core/house';
import { decodeMilli, demoReadings, encodeMilli } from '@levamen/core/house/details';
import { newJob } from '@levamen/core/job';
import { savedReadingSetSchema } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readingSet as set } from '../testing/reading-set.js';
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

  it('of which something else is said are a new set with the same values; undo still finds the old one', async () => {
    const id = await begin();
    for (const position of [0, 1]) await put(id, position, await packChannel(values)).expect(204);
    const channels = set.channels.map((channel) => ({ ...channel, role: 'circuit' }));
    const answer = await test.agent.put(`${base()}/${id}`).send({ name: 'Other', channels }).expect(200);
    const changed = savedReadingSetSchema.parse(answer.body);
    expect(changed).toMatchObject({ name: 'Other', channels, complete: true });
    expect(changed.id).not.toBe(id);
    expect((await test.agent.get(`${base()}/${id}`).expect(200)).body).toMatchObject({
      ...set,
      complete: true,
    });
    const listed = (await test.agent.get(base())).body as { id: string }[];
    expect(listed.map((one) => one.id)).toContain(changed.id);
    expect(listed.map((one) => one.id)).not.toContain(id);
    await test.agent
      .put(`${base()}/${changed.id}`)
      .send({ name: 'Other', channels: channels.slice(1) })
      .expect(422);
  });

  it('never change: other values for a channel are refused, the same ones are not', async () => {
    const id = await begin();
    await put(id, 0, await packChannel(values)).expect(204);
    await put(id, 0, await packChannel(values)).expect(204);
    await put(id, 0, await packChannel(Int32Array.from([1, 2, 3, 4]))).expect(409);
  });

  it('that were removed leave the list, and older revisions still find them', async () => {
    const id = await begin();
    await put(id, 0, await packChannel(values));
    await test.agent.delete(`${base()}/${id}`).expect(204);
    await test.agent.delete(`${base()}/${id}`).expect(204);
    await test.agent.get(`${base()}/${id}/channels/0`).expect(200);
    expect((await test.agent.get(base())).body as { id: string }[]).not.toContainEqual(
      expect.objectContaining({ id }),
    );
  });

  it('are shared by a duplicate, and stay for it when the first job is purged; then they go', async () => {
    const job = (
      (await test.agent.post('/api/jobs').send({ document: newJob('First') })).body as { id: string }
    ).id;
    const made = await test.agent.post(`/api/jobs/${job}/readings`).send(set).expect(201);
    const { id } = made.body as { id: string };
    const payload = await packChannel(Int32Array.from([7, 7, 7, Math.round(Math.random() * 1e9)]));
    for (const position of [0, 1])
      await test.agent
        .put(`/api/jobs/${job}/readings/${id}/channels/${position}`)
        .set('content-type', 'application/octet-stream')
        .send(payload)
        .expect(204);
    const copy = ((await test.agent.post(`/api/jobs/${job}/duplicate`).expect(201)).body as { id: string })
      .id;
    const blobs = async (): Promise<number> =>
      ((await test.agent.get('/api/storage').expect(200)).body as { blobBytes: number }).blobBytes;
    const before = await blobs();
    for (const one of [job, copy]) {
      await test.agent.get(`/api/jobs/${copy}/readings/${id}/channels/1`).expect(200);
      if (one === copy) break;
      await test.agent.delete(`/api/jobs/${job}/purge`).expect(404);
      await test.agent.delete(`/api/jobs/${job}`).expect(204);
      await test.agent.delete(`/api/jobs/${job}/purge`).expect(204);
      expect(await blobs()).toBe(before);
    }
    await test.agent.delete(`/api/jobs/${copy}`).expect(204);
    await test.agent.delete(`/api/jobs/${copy}/purge`).expect(204);
    expect(await blobs()).toBe(before - payload.length);
  });

  it('that do not fit their columns are refused with what to change', async () => {
    for (const wrong of [
      { startS: 0.5 },
      { intervalS: 0.25 },
      { startS: 1e300 },
      { zone: 'Mars/Olympus' },
      { name: 'a\u0000b' },
      { channels: [{ ...set.channels[0], name: '\ud800' }] },
    ])
      expect((await test.agent.post(base()).send({ ...set, ...wrong })).status).toBe(400);
    const large = await put(await begin(), 0, Buffer.alloc(25_000_000));
    expect([large.status, (large.body as { detail: string }).detail]).toEqual([
      413,
      'A channel of readings may have at most 24 MB.',
    ]);
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
