import type { SystemAddress } from '@levamen/core/house';
import * as z from 'zod';

/** What is understood of `/now`: when it is there, and how long its last transfer took. */
const nowSchema = z.object({
  at: z.iso.datetime().optional(),
  gapMs: z.number().min(0).max(600_000).nullable().optional(),
  /** Its own count of seconds, where it is played faster than the clock. */
  second: z.number().int().min(0).max(1e9).optional(),
});
const patienceMs = 900;
const mostBytes = 64_000;

export interface OverHttp {
  readonly clockOffS: number | null;
  readonly gapMs: number | null;
  readonly countS: number | null;
}
const nothing: OverHttp = { clockOffS: null, gapMs: null, countS: null };

/** What a system says over HTTP beside its registers; nothing where it has none, or says something else. */
export async function readOverHttp(
  { host, httpPort }: SystemAddress,
  clock: () => number,
): Promise<OverHttp> {
  if (httpPort === null) return nothing;
  try {
    const url = `http://${host.includes(':') ? `[${host}]` : host}:${httpPort}/now`;
    // Where it would send us on to nobody has allowed.
    const response = await fetch(url, { redirect: 'error', signal: AbortSignal.timeout(patienceMs) });
    if (!response.ok || !response.body) return nothing;
    const parts: Uint8Array[] = [];
    let length = 0;
    const reader = response.body.getReader();
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      length += value.length;
      if (length > mostBytes) {
        await reader.cancel();
        return nothing;
      }
      parts.push(value);
    }
    const { at, gapMs, second } = nowSchema.parse(JSON.parse(Buffer.concat(parts).toString('utf8')));
    return {
      clockOffS: at === undefined ? null : Math.round((Date.parse(at) - clock()) / 1000),
      gapMs: gapMs ?? null,
      countS: second ?? null,
    };
  } catch {
    return nothing;
  }
}
