import type { SystemAddress } from '@levamen/core/house';
import * as z from 'zod';
import { fetchJson } from './fetch-json.js';

/** What is understood of `/now`: when it is there, and how long its last transfer took. */
const nowSchema = z.object({
  at: z.iso.datetime().optional(),
  gapMs: z.number().min(0).max(600_000).nullable().optional(),
  /** Its own count of seconds, where it is played faster than the clock. */
  second: z.number().int().min(0).max(1e9).optional(),
});
const bounds = { patienceMs: 900, mostBytes: 64_000 };

export interface OverHttp {
  readonly clockOffS: number | null;
  readonly gapMs: number | null;
  readonly countS: number | null;
}
const nothing: OverHttp = { clockOffS: null, gapMs: null, countS: null };

/** What a system says over HTTP beside its registers; nothing where it has none, or says something else. */
export async function readOverHttp(system: SystemAddress, clock: () => number): Promise<OverHttp> {
  try {
    const { at, gapMs, second } = nowSchema.parse(await fetchJson(system, '/now', bounds));
    return {
      clockOffS: at === undefined ? null : Math.round((Date.parse(at) - clock()) / 1000),
      gapMs: gapMs ?? null,
      countS: second ?? null,
    };
  } catch {
    return nothing;
  }
}
