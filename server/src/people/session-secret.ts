import { randomBytes } from 'node:crypto';
import type { DataSource } from 'typeorm';

/** What signs the cookies of sessions: made once for an installation, and kept with its data, so that a restart signs nobody out. */
export async function sessionSecret(source: DataSource): Promise<string> {
  await source.query('INSERT INTO secret (name, value) VALUES ($1, $2) ON CONFLICT (name) DO NOTHING', [
    'session',
    randomBytes(32).toString('base64url'),
  ]);
  const [row] = await source.query<{ value: string }[]>('SELECT value FROM secret WHERE name = $1', [
    'session',
  ]);
  return row!.value;
}
