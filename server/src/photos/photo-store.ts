import type { DataSource, EntityManager } from 'typeorm';
import { BlobStore } from '../blobs/blob-store.js';
import { JobPhotoEntity } from './photo-entity.js';

/** What the photos of one job may take, those it no longer shows included: undo and older revisions still find these. */
export const maxPhotoBytesPerJob = 1_000_000_000;

/** Keeps the photos of jobs, each once. Whoever calls has made sure that the job may be seen. */
export class PhotoStore {
  private readonly blobs: BlobStore;

  constructor(
    private readonly source: DataSource,
    private readonly workspaceId: string,
  ) {
    this.blobs = new BlobStore(workspaceId);
  }

  /** Keeps the bytes for a job and answers with their digest. */
  async keep(jobId: string, payload: Buffer): Promise<string> {
    return this.source.transaction(async (manager) => {
      const digest = await this.blobs.keep(manager, payload);
      await manager
        .createQueryBuilder()
        .insert()
        .into(JobPhotoEntity)
        .values({ jobId, digest, workspaceId: this.workspaceId })
        .orIgnore()
        .execute();
      return digest;
    });
  }

  /** The bytes of a photo of a job; null where it has none of that digest. */
  async read(jobId: string, digest: string): Promise<Buffer | null> {
    const { manager } = this.source;
    const isOfJob = await manager.existsBy(JobPhotoEntity, { jobId, digest, workspaceId: this.workspaceId });
    return isOfJob ? this.blobs.read(manager, digest) : null;
  }

  async bytesOf(jobId: string): Promise<number> {
    const [row] = await this.source.query<{ bytes: string }[]>(
      `SELECT coalesce(sum(b.bytes), 0) AS bytes FROM job_photo p
       JOIN blob b ON b.workspace_id = p.workspace_id AND b.digest = p.digest WHERE p.job_id = $1`,
      [jobId],
    );
    return Number(row!.bytes);
  }
}

/** Lets a new job show the photos it names, where the workspace has them already: a copy, or a file that comes back. */
export async function sharePhotos(
  manager: EntityManager,
  jobId: string,
  workspaceId: string,
  digests: readonly string[],
): Promise<void> {
  if (digests.length === 0) return;
  await manager.query(
    `INSERT INTO job_photo (job_id, digest, workspace_id)
     SELECT DISTINCT $1::uuid, digest, workspace_id FROM job_photo WHERE workspace_id = $2 AND digest = ANY($3)
     ON CONFLICT DO NOTHING`,
    [jobId, workspaceId, digests],
  );
}
