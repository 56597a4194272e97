import type { ClientRateLimitInfo, Options, Store } from 'express-rate-limit';
import type pg from 'pg';

/** Counts that are over are removed so often, ms. */
const sweptMs = 60_000;

interface Row {
  readonly requests: number;
  readonly until: Date;
}

/**
 * Requests counted in the database, so that all servers of it count together. The database's clock counts; a clock that was set back lets a count
 * go that would last longer than any may. While the database is away nothing is counted: what is asked of it fails anyway.
 */
export class RequestCounts implements Store {
  readonly localKeys = false;
  private windowS = 60;
  private sweeping: NodeJS.Timeout | null = null;

  constructor(private readonly pool: pg.Pool) {}

  init({ windowMs }: Options): void {
    this.windowS = windowMs / 1000;
    this.sweeping = setInterval(() => {
      this.pool.query('DELETE FROM request_count WHERE until < now()').catch(() => undefined);
    }, sweptMs);
    this.sweeping.unref();
  }

  async increment(key: string): Promise<ClientRateLimitInfo> {
    try {
      const { rows } = await this.pool.query<Row>(
        `INSERT INTO request_count AS c (key, requests, until) VALUES ($1, 1, now() + make_interval(secs => $2))
         ON CONFLICT (key) DO UPDATE SET
           requests = CASE WHEN c.until BETWEEN now() AND excluded.until THEN c.requests + 1 ELSE 1 END,
           until = CASE WHEN c.until BETWEEN now() AND excluded.until THEN c.until ELSE excluded.until END
         RETURNING requests, until`,
        [key, this.windowS],
      );
      return { totalHits: rows[0]!.requests, resetTime: rows[0]!.until };
    } catch {
      return { totalHits: 1, resetTime: new Date(Date.now() + this.windowS * 1000) };
    }
  }

  async decrement(key: string): Promise<void> {
    await this.pool.query('UPDATE request_count SET requests = greatest(requests - 1, 0) WHERE key = $1', [
      key,
    ]);
  }

  async resetKey(key: string): Promise<void> {
    await this.pool.query('DELETE FROM request_count WHERE key = $1', [key]);
  }

  shutdown(): void {
    if (this.sweeping) clearInterval(this.sweeping);
  }
}
