import type { Readable } from 'node:stream';
import yauzl from 'yauzl';

/** A sheet of 5,000 rows and 100 columns inflates to some 30 MB. */
const maxInflatedBytes = 60_000_000;
const maxEntries = 2000;

/** It inflates to more than any table of circuits needs. */
export class WorkbookTooLarge extends Error {}

/**
 * Inflates every entry of a ZIP file and throws the bytes away: what a file says of its own size may be a lie.
 *
 * @throws WorkbookTooLarge as soon as there is too much; Error where it is no ZIP file
 */
export async function refuseBombs(zipped: Buffer): Promise<void> {
  const zip = await yauzl.fromBufferPromise(zipped, { lazyEntries: true });
  let bytes = 0;
  let entries = 0;
  for await (const entry of zip.eachEntry()) {
    entries += 1;
    if (entries > maxEntries || bytes + entry.uncompressedSize > maxInflatedBytes)
      throw new WorkbookTooLarge();
    const stream: Readable = await zip.openReadStreamPromise(entry);
    for await (const chunk of stream) {
      bytes += (chunk as Buffer).length;
      if (bytes > maxInflatedBytes) {
        stream.destroy();
        throw new WorkbookTooLarge();
      }
    }
  }
}
