import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Photos beside jobs, in the content-addressed store; a purge removes those that no other job has. */
export class Photos1797400000000 implements MigrationInterface {
  readonly name = 'Photos1797400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE job_photo (
      job_id uuid NOT NULL,
      digest text NOT NULL,
      workspace_id uuid NOT NULL,
      kept_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT job_photo_pkey PRIMARY KEY (job_id, digest),
      CONSTRAINT job_photo_job_fkey FOREIGN KEY (job_id) REFERENCES job (id),
      CONSTRAINT job_photo_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT job_photo_blob_fkey FOREIGN KEY (workspace_id, digest) REFERENCES blob (workspace_id, digest)
    )`);
    await runner.query('CREATE INDEX job_photo_blob_index ON job_photo (workspace_id, digest)');
    await runner.query(`
      CREATE OR REPLACE FUNCTION purge_job(job_to_purge uuid, of_workspace uuid, by_actor text, on_device text) RETURNS boolean
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        job_name text;
        revisions integer;
      BEGIN
        SELECT name INTO job_name FROM job
          WHERE id = job_to_purge AND workspace_id = of_workspace AND deleted_at IS NOT NULL FOR UPDATE;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        PERFORM set_config('levamen.purging', job_to_purge::text, true);
        DELETE FROM job_revision WHERE job_id = job_to_purge;
        GET DIAGNOSTICS revisions = ROW_COUNT;
        PERFORM set_config('levamen.purging', '', true);
        DELETE FROM job_photo WHERE job_id = job_to_purge;
        DELETE FROM job_reading_set WHERE job_id = job_to_purge;
        DELETE FROM reading_set s WHERE s.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM job_reading_set l WHERE l.set_id = s.id);
        DELETE FROM blob b WHERE b.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM reading_channel c WHERE c.workspace_id = b.workspace_id AND c.digest = b.digest)
          AND NOT EXISTS (SELECT FROM job_photo p WHERE p.workspace_id = b.workspace_id AND p.digest = b.digest);
        DELETE FROM job WHERE id = job_to_purge;
        INSERT INTO deed (workspace_id, actor, device, deed, job_id, facts)
          VALUES (of_workspace, by_actor, on_device, 'job purged', job_to_purge,
            jsonb_build_object('name', job_name, 'revisions', revisions));
        RETURN true;
      END $$`);
  }

  /** Photos that jobs name would be lost; a backup made before is the way back. */
  down(): Promise<void> {
    return Promise.reject(new Error('Restore a backup that was made before this migration'));
  }
}
