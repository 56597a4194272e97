import type pg from 'pg';

/** What was switched on by hand in simulated houses: channels, each with the second since when. */
export interface MonitorSwitches {
  of(seed: number): Promise<ReadonlyMap<string, number>>;
  /** @param onS since when it is on, s; null = it is switched off */
  set(seed: number, channel: string, onS: number | null): Promise<void>;
}

/** Kept in the database, so that a house is the same through every server; what nobody has touched for a day is off. */
export const keptSwitches = (pool: pg.Pool): MonitorSwitches => ({
  async of(seed) {
    const { rows } = await pool.query<{ channel: string; on_s: string }>(
      "SELECT channel, on_s FROM monitor_switch WHERE seed = $1 AND at > now() - interval '1 day'",
      [seed],
    );
    return new Map(rows.map(({ channel, on_s }) => [channel, Number(on_s)]));
  },
  async set(seed, channel, onS) {
    await pool.query(
      "DELETE FROM monitor_switch WHERE (seed = $1 AND channel = $2) OR at < now() - interval '1 day'",
      [seed, channel],
    );
    if (onS !== null)
      await pool.query(
        'INSERT INTO monitor_switch (seed, channel, on_s) VALUES ($1, $2, $3) ON CONFLICT DO NOTHING',
        [seed, channel, onS],
      );
  },
});
