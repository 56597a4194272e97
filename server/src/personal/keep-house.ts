import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { WorkspaceEntity } from '../store/entities.js';
import { actingFor } from '../workspaces/fence.js';

/** How often what has been kept long enough is looked for, ms. */
const everyMs = 6 * 3_600_000;

/** Removes what each company keeps for a time only, and that time is over. */
export async function forgetOld(source: DataSource): Promise<void> {
  for (const { id } of await source.manager.find(WorkspaceEntity))
    await actingFor({ workspaceId: id, accountId: null }, () => source.query('SELECT forget_old($1)', [id]));
}

/** Does so now, and again and again until the server stops. */
export function keepHouse(source: DataSource, logger: Logger, stopping: AbortSignal): void {
  const look = (): void => {
    forgetOld(source).catch((error: unknown) => logger.error({ err: error }, 'nothing was forgotten'));
  };
  const timer = setInterval(look, everyMs);
  timer.unref();
  stopping.addEventListener('abort', () => clearInterval(timer));
  look();
}
