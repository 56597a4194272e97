import type { DataSource } from 'typeorm';
import type { Readiness } from '@levamen/core/api';
import type { Events } from '../events/events.js';

interface Parts {
  readonly source: DataSource;
  readonly events: Events;
  /** The server is told to stop. */
  readonly stopping: AbortSignal;
}

/** Whether this server should be sent requests now; where not, why. */
export async function readinessOf({ source, events, stopping }: Parts): Promise<Readiness> {
  const waitsFor: Readiness['waitsFor'][number][] = [];
  if (stopping.aborted) waitsFor.push('it is stopping');
  const answers = await source.query('SELECT 1').then(
    () => true,
    () => false,
  );
  if (!answers) waitsFor.push('the database');
  if (!events.isListening) waitsFor.push('other servers');
  return { ready: waitsFor.length === 0, waitsFor };
}
