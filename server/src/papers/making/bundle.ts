import { zipSync } from 'fflate';
import { digestOf } from '../../blobs/blob-store.js';

/** A file of a bundle. */
export interface BundleFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/**
 * Files as a ZIP, with a list of their names, sizes and SHA-256 digests in it.
 *
 * @param about what the list says of them all
 */
export function bundle(
  files: readonly BundleFile[],
  about: Readonly<Record<string, string | number>>,
): Uint8Array {
  const listed = files.map(({ name, bytes }) => ({
    name,
    bytes: bytes.length,
    sha256: digestOf(Buffer.from(bytes)),
  }));
  const manifest = Buffer.from(`${JSON.stringify({ ...about, files: listed }, null, 2)}\n`);
  return zipSync({
    'manifest.json': [manifest, { level: 6 }],
    // PDF and XLSX are compressed already.
    ...Object.fromEntries(files.map(({ name, bytes }) => [name, [bytes, { level: 1 }] as const])),
  });
}
