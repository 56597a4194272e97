import type { Who } from '@levamen/core/api';
import { LessThan, type EntityManager } from 'typeorm';
import { DeedEntity, type DeedRow } from './deed-entity.js';

/** What can be done and is written down. Edits of a job are its revisions. */
export type Deed =
  | 'job created'
  | 'job imported'
  | 'job duplicated'
  | 'job deleted'
  | 'job brought back'
  | 'readings kept'
  | 'readings removed'
  | 'weather kept'
  | 'weather removed'
  | 'owner entered'
  | 'signed in'
  | 'joined'
  | 'password changed'
  | 'second factor added'
  | 'second factor removed'
  | 'second factor asked for'
  | 'password reset offered'
  | 'somebody invited'
  | 'role changed'
  | 'member removed'
  | 'job given to'
  | 'job exported'
  | 'personal data given out'
  | 'person erased'
  | 'how long is kept'
  | 'company founded'
  | 'paper issued'
  | 'paper erased'
  | 'paper given'
  | 'link ended'
  | 'proposal accepted'
  | 'device networks allowed';

/** The append-only log of a workspace. */
export class DeedLog {
  constructor(private readonly workspaceId: string) {}

  /** Writes a line, in the transaction of what it tells of. */
  async write(
    manager: EntityManager,
    who: Who,
    deed: Deed,
    jobId: string | null,
    facts: Record<string, string | number> = {},
  ): Promise<void> {
    await manager.insert(DeedEntity, { workspaceId: this.workspaceId, ...who, deed, jobId, facts });
  }

  /** Newest first. */
  async read(manager: EntityManager, before: number | undefined, limit: number): Promise<DeedRow[]> {
    return manager.find(DeedEntity, {
      where: {
        workspaceId: this.workspaceId,
        ...(before === undefined ? {} : { id: LessThan(String(before)) }),
      },
      order: { id: 'DESC' },
      take: limit,
    });
  }
}
