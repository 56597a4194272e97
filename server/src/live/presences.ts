import type { Present } from '@levamen/core/api';
import type { DataSource } from 'typeorm';
import { isConnected } from '../events/events.js';
import { PresenceEntity } from './presence-entity.js';

/** Who was not heard of for so long is there no more: nobody hears of his server, s. */
const silentS = 45;

const isThere = `heard_at > now() - make_interval(secs => ${silentS}) AND ${isConnected('presence.server_id')}`;

/** A visit, with what has to be said again where the database has forgotten it. */
export interface Visit extends Present {
  readonly id: string;
  readonly jobId: string;
  readonly enteredAt: Date;
}

/** Who has which job of a workspace open, on all servers of the database. */
export class Presences {
  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
    /** The server that says who is there. */
    private readonly serverId: string,
  ) {}

  /** In the order they came; one window counts once. */
  async of(jobId: string): Promise<Present[]> {
    const rows = await this.source.query<{ window_id: string; actor: string; device: string }[]>(
      `SELECT window_id, actor, device FROM (
         SELECT DISTINCT ON (window_id) window_id, actor, device, min(entered_at) OVER (PARTITION BY window_id) AS first
           FROM presence WHERE job_id = $1 AND workspace_id = $2 AND ${isThere}
          ORDER BY window_id, entered_at DESC) present
       ORDER BY first, window_id`,
      [jobId, this.workspaceId],
    );
    return rows.map(({ window_id, actor, device }) => ({ window: window_id, actor, device }));
  }

  /** Says that these visits go on. */
  async say(visits: readonly Visit[]): Promise<void> {
    if (visits.length === 0) return;
    await this.source.manager.upsert(
      PresenceEntity,
      visits.map(({ id, jobId, window, actor, device, enteredAt }) => ({
        id,
        workspaceId: this.workspaceId,
        jobId,
        serverId: this.serverId,
        windowId: window,
        actor,
        device,
        enteredAt,
        heardAt: () => 'now()',
      })),
      ['id'],
    );
  }

  async remove(ids: readonly string[]): Promise<void> {
    await this.source.query('DELETE FROM presence WHERE id = ANY($1)', [ids]);
  }

  /** Removes those nobody speaks for any more: the jobs they had open. */
  async forget(): Promise<string[]> {
    const [rows] = await this.source.query<[{ job_id: string }[], number]>(
      `DELETE FROM presence WHERE workspace_id = $1 AND NOT (${isThere}) RETURNING job_id`,
      [this.workspaceId],
    );
    return [...new Set(rows.map(({ job_id }) => job_id))];
  }
}
