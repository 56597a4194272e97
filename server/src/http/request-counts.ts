import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type pg from 'pg';

/** Servers tell each other what they have counted so often, ms: a limit is passed by no more than comes in that time. */
const toldMs = 250;

interface Row {
  readonly key: string;
  readonly requests: number;
  readonly left_ms: number;
}

/** Requests of one address, as far as this server knows. */
interface Count {
  /** Of all servers, when they were told last. */
  told: number;
  /** Of this one since then. */
  own: number;
  /** When it begins anew, by the monotonic clock, ms. */
  untilMs: number;
}

/**
 * Requests counted in the database, so that all servers of it count together; not one by one, since most requests take no longer than that would. The
 * database's clock counts; a clock that was set back lets a count go that would last longer than any may. While the database is away each server counts
 * for itself.
 */
export class RequestCounts implements Store {
  readonly localKeys = false;
  private windowMs = 60_000;
  private readonly counts = new Map<string, Count>();
  private telling: NodeJS.Timeout | null = null;

  constructor(private readonly pool: pg.Pool) {}

  init({ windowMs }: Pick<Options, 'windowMs'>): void {
    this.windowMs = windowMs;
  }

  increment(key: string): ClientRateLimitInfo {
    const nowMs = performance.now();
    let count = this.counts.get(key);
    if (!count || count.untilMs <= nowMs) {
      count = { told: 0, own: 0, untilMs: nowMs + this.windowMs };
      this.counts.set(key, count);
    }
    count.own += 1;
    this.telling ??= setTimeout(() => void this.tell(), toldMs).unref();
    return {
      totalHits: count.told + count.own,
      resetTime: new Date(Date.now() + count.untilMs - nowMs),
    };
  }

  decrement(key: string): void {
    const count = this.counts.get(key);
    if (count) count.own -= 1;
  }

  async resetKey(key: string): Promise<void> {
    this.counts.delete(key);
    await this.pool.query('DELETE FROM request_count WHERE key = $1', [key]);
  }

  /** Adds what was counted here to what all have counted, and learns that. */
  async tell(): Promise<void> {
    this.telling = null;
    const nowMs = performance.now();
    for (const [key, { untilMs }] of this.counts) if (untilMs <= nowMs) this.counts.delete(key);
    const told = [...this.counts]
      .filter(([, { own }]) => own !== 0)
      .map(([key, { own }]) => [key, own] as const);
    if (told.length === 0) return;
    try {
      const { rows } = await this.pool.query<Row>(
        `WITH gone AS (DELETE FROM request_count WHERE until < now() - interval '1 minute')
         INSERT INTO request_count AS c (key, requests, until)
           SELECT key, requests, now() + make_interval(secs => $3) FROM unnest($1::text[], $2::integer[]) AS own (key, requests)
            ORDER BY key
         ON CONFLICT (key) DO UPDATE SET
           requests = excluded.requests + CASE WHEN c.until BETWEEN now() AND excluded.until THEN c.requests ELSE 0 END,
           until = CASE WHEN c.until BETWEEN now() AND excluded.until THEN c.until ELSE excluded.until END
         RETURNING key, requests, extract(epoch FROM until - now())::float * 1000 AS left_ms`,
        [told.map(([key]) => key), told.map(([, own]) => own), this.windowMs / 1000],
      );
      const owns = new Map(told);
      for (const { key, requests, left_ms } of rows) {
        const count = this.counts.get(key);
        if (!count) continue;
        count.told = requests;
        count.own -= owns.get(key)!;
        count.untilMs = performance.now() + left_ms;
      }
    } catch {
      // The database is away: it is told with the next ones.
    }
  }

  shutdown(): void {
    if (this.telling) clearTimeout(this.telling);
  }
}
