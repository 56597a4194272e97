import { recordingColumns, type RecordingImport, recordingImportSchema } from '@levamen/core/api';
import type { SystemAddress } from '@levamen/core/house';
import * as z from 'zod';
import { HttpProblem } from '../http/problem.js';
import { fetchJson } from './fetch-json.js';

/** A memory of many outages is large. */
const bounds = { patienceMs: 15_000, mostBytes: 40_000_000 };
const dayMs = 86_400_000;
/** A system whose clock was never set says 1970 (common practice, no source). */
const firstMs = Date.UTC(2010, 0, 1);

const value = z.number().nullable();
const keptSchema = z
  .array(
    z.object({
      from: z.iso.datetime(),
      isOver: z.boolean(),
      columns: z.array(z.string().max(40)).max(60),
      rows: z.array(z.array(value).max(60)).max(20_000),
    }),
  )
  .max(200);

/** Outages a system remembers, and what of its memory could not be taken, in words. */
export interface RememberedOutages {
  readonly outages: readonly RecordingImport[];
  readonly problems: readonly string[];
}

/**
 * Outages that are over, as a system remembers them, its columns brought into ours.
 *
 * @param now ms since 1970
 * @throws HttpProblem where it does not answer, or says something else
 */
export async function keptOutages(system: SystemAddress, now: number): Promise<RememberedOutages> {
  let said: unknown;
  try {
    said = await fetchJson(system, '/outages', bounds);
  } catch (error) {
    throw new HttpProblem(
      502,
      'It does not say',
      `The system was asked for its outages: ${error instanceof Error ? error.message : String(error)}.`,
    );
  }
  const read = keptSchema.safeParse(said);
  if (!read.success)
    throw new HttpProblem(
      502,
      'It says something else',
      'What the system says of its outages cannot be understood.',
    );
  const outages: RecordingImport[] = [];
  const problems: string[] = [];
  for (const { from, isOver, columns, rows } of read.data) {
    if (!isOver) continue;
    const beganMs = Date.parse(from);
    if (beganMs < firstMs || beganMs > now + dayMs) {
      problems.push(`One of ${from.slice(0, 10)} was left out: the clock of the system was not set.`);
      continue;
    }
    const places = recordingColumns.map((column) => columns.indexOf(column));
    const taken = recordingImportSchema.safeParse({
      name: `Outage of ${from.slice(0, 16).replace('T', ' ')} UTC`,
      beganAt: new Date(beganMs).toISOString(),
      rows: rows.map((row) => places.map((place) => row[place] ?? null)),
    });
    if (taken.success) outages.push(taken.data);
    else problems.push(`One of ${from.slice(0, 16)} was left out: ${taken.error.issues[0]!.message}.`);
  }
  return { outages, problems };
}
