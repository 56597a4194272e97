import { createHash } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { BlobEntity } from './blob-entity.js';

/** What bytes are kept under. */
export const digestOf = (payload: Buffer | string): string =>
  createHash('sha256').update(payload).digest('hex');

/**
 * The content-addressed store of a workspace: readings now; photos, sheets and papers later.
 *
 * Kept and named in one transaction: a purge removes what nothing names.
 */
export class BlobStore {
  constructor(private readonly workspaceId: string) {}

  /** Keeps the bytes and answers with their digest. */
  async keep(manager: EntityManager, payload: Buffer): Promise<string> {
    const digest = digestOf(payload);
    await manager
      .createQueryBuilder()
      .insert()
      .into(BlobEntity)
      .values({ workspaceId: this.workspaceId, digest, bytes: payload.length, payload })
      .orIgnore()
      .execute();
    return digest;
  }

  /** The bytes of a digest, or null where there are none. */
  async read(manager: EntityManager, digest: string): Promise<Buffer | null> {
    const row = await manager.findOneBy(BlobEntity, { workspaceId: this.workspaceId, digest });
    return row?.payload ?? null;
  }
}
