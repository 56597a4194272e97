import { promisify } from 'node:util';
import { constants, deflate, inflate } from 'node:zlib';
import { decodeMilli, encodeMilli } from '@levamen/core/house/details';
import { maxValues } from '@levamen/core/api';

const deflated = promisify(deflate);
const inflated = promisify(inflate);

/** A value takes at most this many bytes before it is deflated; more is no channel. */
const maxInflatedBytes = maxValues * 6 + 64;

/** Packs the values of a channel as the database keeps them. */
export async function packChannel(milli: Int32Array): Promise<Buffer> {
  return deflated(encodeMilli(milli), { level: constants.Z_BEST_COMPRESSION });
}

/**
 * Unpacks a channel.
 *
 * @throws Error where the bytes are damaged or hold too much
 */
export async function unpackChannel(payload: Buffer): Promise<Int32Array> {
  return decodeMilli(await inflated(payload, { maxOutputLength: maxInflatedBytes }));
}
