import pg from 'pg';

/** Connections for what belongs to no company: sessions, counts of requests, what servers tell each other. They never act for anybody. */
export function makeGroundPool(databaseUrl: string, failed: (error: unknown) => void): pg.Pool {
  const pool = new pg.Pool({
    connectionString: databaseUrl,
    max: 4,
    connectionTimeoutMillis: 5000,
    statement_timeout: 15_000,
  });
  // One that is lost while nobody uses it is replaced by the next.
  pool.on('error', failed);
  return pool;
}
