import { demoJobs } from '@levamen/core/job';
import { describe, expect, it } from 'vitest';
import { digestOf } from '../data/digest-of';
import { packJob, unpackJob } from './job-archive';

const farm = demoJobs[0]!.job;
const picture = new Uint8Array([0xff, 0xd8, 1, 2, 3, 0xff, 0xd9]);

async function showing() {
  const digest = await digestOf(picture);
  const photo = {
    id: 'p',
    digest,
    aboutId: farm.survey.panels[0]!.id,
    subject: 'legend' as const,
    caption: '',
    takenOn: null,
    widthPx: 4,
    heightPx: 3,
  };
  return { digest, job: { ...farm, photos: [photo, { ...photo, id: 'q', digest: 'f'.repeat(64) }] } };
}

describe('a job and its photos in a ZIP file', () => {
  it('come back as they were; a photo that is not to be had is left out', async () => {
    const { digest, job } = await showing();
    const packed = await packJob(job, (asked) => Promise.resolve(asked === digest ? picture : null));
    const { document, photos } = await unpackJob(packed);
    expect(document).toEqual(job);
    expect([...photos.keys()]).toEqual([digest]);
    expect(photos.get(digest)).toEqual(picture);
  });

  it('of another kind is refused in words', async () => {
    await expect(unpackJob(new TextEncoder().encode('not a ZIP'))).rejects.toThrow(
      'cannot be read as a ZIP file',
    );
  });

  it('digests are those of the published test of SHA-256', async () => {
    // FIPS 180-2, appendix B.1: the digest of "abc".
    expect(await digestOf(new TextEncoder().encode('abc'))).toBe(
      'ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad',
    );
  });
});
