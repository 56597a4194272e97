import type pg from 'pg';

/**
 * Does something while no other server of the database does it; waits for those that do.
 *
 * @param lock any number, the same in every server
 */
export async function alone<Result>(
  pool: pg.Pool,
  lock: number,
  work: () => Promise<Result>,
): Promise<Result> {
  const client = await pool.connect();
  try {
    // Waiting may take as long as the work of another.
    await client.query('SET statement_timeout = 0');
    await client.query('SELECT pg_advisory_lock($1)', [lock]);
    return await work();
  } finally {
    // The connection ends, and with it the lock.
    client.release(true);
  }
}
