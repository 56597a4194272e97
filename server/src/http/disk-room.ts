import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problem.js';

/** Nothing can be written for want of room. */
export const diskFull = new HttpProblem(
  507,
  'Disk full',
  'The disk that holds the database is full. Your entries are kept; free some room on the server, then try again.',
);

/** With less, nothing is asked of the database that it would have to write, bytes: two segments of its journal. */
const leastBytes = 32 * 1024 * 1024;
/** How long what was seen holds, ms. */
const lookMs = 1000;

/** Bytes that are left on the disk of a folder; null = nobody can say. */
const bytesLeft = (folder: string): Promise<number | null> =>
  statfs(folder).then(
    ({ bavail, bsize }) => bavail * bsize,
    () => null,
  );

/**
 * Refuses what is not only read while there is hardly room: a database that finds none for its journal ends, and then nothing can be read either.
 *
 * @param folder on the disk that holds the database; null = it is kept elsewhere
 * @param left tells the bytes that are left
 */
export function diskRoom(
  folder: string | null,
  left: (folder: string) => Promise<number | null> = bytesLeft,
): RequestHandler {
  let looked = -Infinity;
  let isFull = false;
  return async (request, _response, next) => {
    if (folder !== null && request.method !== 'GET' && request.method !== 'HEAD') {
      const now = performance.now();
      if (now - looked > lookMs) {
        looked = now;
        isFull = ((await left(folder)) ?? Infinity) < leastBytes;
      }
      if (isFull) throw diskFull;
    }
    next();
  };
}
