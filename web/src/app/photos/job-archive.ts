import { maxPhotoBytes, photoThings } from '@levamen/core/house';
import { type Job, planOf } from '@levamen/core/job';
import { type AsyncZippable, unzip, zip } from 'fflate';
import { digestOf } from '../data/digest-of';

const jobName = 'job.levamen.json';
/** Larger than any job file this program writes. */
const maxJobBytes = 4_000_000;

type Bytes = Uint8Array<ArrayBuffer>;

/** A job with its photos, as a ZIP file holds them. */
export interface JobArchive {
  readonly document: unknown;
  /** By their digest. */
  readonly photos: ReadonlyMap<string, Bytes>;
}

const fileName = (text: string): string => text.replace(/[^\p{L}\p{N}]+/gu, ' ').trim();

/**
 * A ZIP file of a job and its photos: anybody can look at them without this program.
 *
 * @param photoOf the bytes of a photo by its digest; null = they are not to be had
 */
export async function packJob(job: Job, photoOf: (digest: string) => Promise<Bytes | null>): Promise<Bytes> {
  const names = new Map(photoThings(planOf(job)).map(({ id, label }) => [id, label]));
  const files: AsyncZippable = { [jobName]: new TextEncoder().encode(`${JSON.stringify(job, null, 2)}\n`) };
  for (const [index, photo] of job.photos.entries()) {
    const bytes = await photoOf(photo.digest);
    if (!bytes) continue;
    const thing = (photo.aboutId !== null && names.get(photo.aboutId)) || 'house';
    const name = fileName(`${String(index + 1).padStart(3, '0')} ${thing} ${photo.caption || photo.subject}`);
    // A JPEG is packed already.
    files[`photos/${name}.jpg`] = [bytes, { level: 0 }];
  }
  return new Promise((resolve, reject) => {
    zip(files, (error, data) => (error ? reject(error) : resolve(data.slice())));
  });
}

/**
 * Reads a file that {@link packJob} made. Entries that are larger than a job or a photo may be are left where they are.
 *
 * @throws Error in words where there is no job in it
 */
export async function unpackJob(packed: Bytes): Promise<JobArchive> {
  const isWanted = ({ name, originalSize }: { name: string; originalSize: number }): boolean =>
    name === jobName
      ? originalSize <= maxJobBytes
      : name.startsWith('photos/') && name.endsWith('.jpg') && originalSize <= maxPhotoBytes;
  const files = await new Promise<Record<string, Uint8Array>>((resolve, reject) => {
    unzip(packed, { filter: isWanted }, (error, data) => (error ? reject(error) : resolve(data)));
  }).catch(() => {
    throw new Error('This cannot be read as a ZIP file');
  });
  const job = files[jobName];
  if (!job) throw new Error(`There is no ${jobName} in it`);
  const photos = new Map<string, Bytes>();
  for (const [name, data] of Object.entries(files)) {
    if (name === jobName) continue;
    const bytes = data.slice();
    photos.set(await digestOf(bytes), bytes);
  }
  try {
    return { document: JSON.parse(new TextDecoder().decode(job)) as unknown, photos };
  } catch {
    throw new Error(`${jobName} in it is not JSON`);
  }
}
