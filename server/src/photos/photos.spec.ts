import { type Job, newJob } from '@levamen/core/job';
import { savedJobSchema, storageSchema } from '@levamen/core/api';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { digestOf } from '../blobs/blob-store.js';
import { photo } from '../testing/photo.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';

let test: TestApp;
beforeAll(async () => {
  test = await openTestApp();
});
afterAll(() => test.database.close());

const digest = digestOf(photo);
const showing = (name: string): Job => ({
  ...newJob(name),
  photos: [
    {
      id: 'p',
      digest,
      aboutId: null,
      subject: 'wall',
      caption: '',
      takenOn: null,
      widthPx: 8,
      heightPx: 6,
    },
  ],
});
const create = async (document: Job) =>
  savedJobSchema.parse((await test.agent.post('/api/jobs').send({ document }).expect(201)).body);
const put = (id: string, payload: Buffer, name = digestOf(payload), type = 'image/jpeg') =>
  test.agent.put(`/api/jobs/${id}/photos/${name}`).set('content-type', type).send(payload);
const get = (id: string) => test.agent.get(`/api/jobs/${id}/photos/${digest}`);

/** A segment of metadata as a camera writes it (Exif 2.3: APP1 "Exif", a TIFF header, one directory), right behind the first marker. */
function withPlace(bare: Buffer): Buffer {
  const tiff = Buffer.alloc(26 + 42);
  tiff.write('II', 0, 'latin1');
  tiff.writeUInt16LE(42, 2);
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(1, 8);
  // Tag 0x8825 points to the directory of the place; its one entry, 0x0001, says "N".
  tiff.writeUInt16LE(0x8825, 10);
  tiff.writeUInt16LE(4, 12);
  tiff.writeUInt32LE(1, 14);
  tiff.writeUInt32LE(26, 18);
  tiff.writeUInt16LE(1, 26);
  tiff.writeUInt16LE(0x0001, 28);
  tiff.writeUInt16LE(2, 30);
  tiff.writeUInt32LE(2, 32);
  tiff.write('N', 36, 'latin1');
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff]);
  const head = Buffer.from([0xff, 0xe1, 0, 0]);
  head.writeUInt16BE(body.length + 2, 2);
  return Buffer.concat([bare.subarray(0, 2), head, body, bare.subarray(2)]);
}

describe('photos', () => {
  it('are kept under their digest and come back to the byte, for good', async () => {
    const { id } = await create(newJob('One'));
    await get(id).expect(404);
    await put(id, photo).expect(204);
    await put(id, photo).expect(204);
    const back = await get(id).expect(200).expect('content-type', 'image/jpeg');
    expect(back.headers['cache-control']).toContain('immutable');
    expect(back.body).toEqual(photo);
  });

  it('of one job are not shown to whoever knows another', async () => {
    const [one, other] = [await create(newJob('One')), await create(newJob('Other'))];
    await put(one.id, photo).expect(204);
    await get(other.id).expect(404);
  });

  it('follow copies of their job, and a file that comes back', async () => {
    const { id } = await create(showing('Shown'));
    await put(id, photo).expect(204);
    const copy = savedJobSchema.parse((await test.agent.post(`/api/jobs/${id}/duplicate`).expect(201)).body);
    expect((await get(copy.id).expect(200)).body).toEqual(photo);
    const file = await test.agent.get(`/api/jobs/${id}/export`).expect(200);
    const again = await test.agent.post('/api/jobs/import').send(file.body as object);
    await get(savedJobSchema.parse(again.body).id).expect(200);
  });

  it('go with the last job that shows them', async () => {
    const other = await openTestApp();
    const made = await other.agent.post('/api/jobs').send({ document: showing('First') });
    const { id } = savedJobSchema.parse(made.body);
    await other.agent
      .put(`/api/jobs/${id}/photos/${digest}`)
      .set('content-type', 'image/jpeg')
      .send(photo)
      .expect(204);
    const copy = savedJobSchema.parse((await other.agent.post(`/api/jobs/${id}/duplicate`)).body);
    const storage = async () => storageSchema.parse((await other.agent.get('/api/storage')).body);
    await other.agent.delete(`/api/jobs/${id}`).expect(204);
    expect(await storage()).toMatchObject({ blobBytes: photo.length, binBlobBytes: 0 });
    await other.agent.delete(`/api/jobs/${id}/purge`).expect(204);
    await other.agent.get(`/api/jobs/${copy.id}/photos/${digest}`).expect(200);
    await other.agent.delete(`/api/jobs/${copy.id}`).expect(204);
    expect((await storage()).binBlobBytes).toBe(photo.length);
    await other.agent.delete(`/api/jobs/${copy.id}/purge`).expect(204);
    expect((await storage()).blobBytes).toBe(0);
    await other.database.close();
  });

  it('that say where they were taken are refused', async () => {
    const { id } = await create(newJob('Placed'));
    expect((await put(id, withPlace(photo)).expect(422)).body).toMatchObject({
      detail: 'It says where or how it was taken. Send the picture alone.',
    });
  });

  it('that are none, or not the one they are called, are refused in words', async () => {
    const { id } = await create(newJob('Odd'));
    await put(id, Buffer.from('GIF89a, or not')).expect(422);
    await put(id, photo.subarray(0, 30)).expect(422);
    await put(id, photo, digestOf(Buffer.from('else'))).expect(422);
    await put(id, photo, 'short').expect(404);
    await put(id, photo, digest, 'image/png').expect(415);
    await put('00000000-0000-4000-8000-000000000000', photo).expect(404);
    await put(id, Buffer.concat([photo, Buffer.alloc(4_100_000)])).expect(413);
  });
});
