import { promisify } from 'node:util';
import { deflate, inflate } from 'node:zlib';
import { recordingColumns, type RecordingRow } from '@levamen/core/api';
import { decodeMilli, encodeMilli, gap } from '@levamen/core/house/details';

const deflated = promisify(deflate);
const inflated = promisify(inflate);
/** No chunk is larger. */
const mostBytes = 4_000_000;
/** Thousandths that a value holds at most. */
const mostMilli = 2_147_483_000;

/** Rows of numbers, column by column as meter data is packed, each with its length before it. */
export async function packSamples(rows: readonly RecordingRow[]): Promise<Buffer> {
  const columns = recordingColumns.map((_, column) =>
    encodeMilli(
      Int32Array.from(rows, (row) => {
        const value = row[column] ?? null;
        return value === null ? gap : Math.round(Math.max(-mostMilli, Math.min(mostMilli, value * 1000)));
      }),
    ),
  );
  const lengths = Buffer.alloc(4 * columns.length);
  columns.forEach((bytes, column) => lengths.writeUInt32BE(bytes.length, 4 * column));
  return deflated(Buffer.concat([lengths, ...columns]));
}

/**
 * Rows of numbers as they were packed.
 *
 * @throws Error where the bytes are damaged
 */
export async function unpackSamples(payload: Buffer): Promise<(number | null)[][]> {
  const bytes = await inflated(payload, { maxOutputLength: mostBytes });
  let from = 4 * recordingColumns.length;
  const columns = recordingColumns.map((_, column) => {
    const length = bytes.readUInt32BE(4 * column);
    const values = decodeMilli(bytes.subarray(from, from + length));
    from += length;
    return values;
  });
  return Array.from(columns[0]!, (_, row) =>
    columns.map((values) => {
      const milli = values[row]!;
      return milli === gap ? null : milli / 1000;
    }),
  );
}
