import type { MigrationInterface, QueryRunner } from 'typeorm';
import { defaultWorkspaceId } from '../default-workspace.js';

/**
 * Revisions as differences, columns for the list of jobs, a content-addressed store for whatever is large, immutable readings
 * that jobs share, and an append-only log of who did what. Every table carries its workspace.
 */
export class Ground1796800000000 implements MigrationInterface {
  readonly name = 'Ground1796800000000';

  async up(runner: QueryRunner): Promise<void> {
    const all = async (statements: readonly string[]): Promise<void> => {
      for (const statement of statements) await runner.query(statement);
    };
    await all([
      `CREATE TABLE blob (
        workspace_id uuid NOT NULL,
        digest text NOT NULL,
        bytes integer NOT NULL,
        payload bytea NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT blob_pkey PRIMARY KEY (workspace_id, digest),
        CONSTRAINT blob_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
      )`,
      // What comes here is packed already: the database need not try again.
      'ALTER TABLE blob ALTER COLUMN payload SET STORAGE EXTERNAL',
      `CREATE TABLE deed (
        id bigserial NOT NULL,
        workspace_id uuid NOT NULL,
        at timestamptz NOT NULL DEFAULT now(),
        actor text NOT NULL,
        device text NOT NULL,
        deed text NOT NULL,
        job_id uuid,
        facts jsonb NOT NULL DEFAULT '{}',
        CONSTRAINT deed_pkey PRIMARY KEY (id),
        CONSTRAINT deed_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
      )`,
      'CREATE INDEX deed_workspace_index ON deed (workspace_id, id)',
      `CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
       BEGIN
         RAISE EXCEPTION '% is append-only', TG_TABLE_NAME;
       END $$`,
      `CREATE TRIGGER deed_append_only BEFORE UPDATE OR DELETE ON deed
       FOR EACH ROW EXECUTE FUNCTION refuse_change()`,
    ]);
    await this.jobs(all);
    await this.readings(runner, all);
    // 9999.9 is how an EPW file says that it does not know its altitude.
    await all(['UPDATE weather_year SET altitude_m = 0 WHERE altitude_m NOT BETWEEN -500 AND 9000']);
  }

  /** What the list shows stands in columns; a revision may be a difference to the one before. */
  private async jobs(all: (statements: readonly string[]) => Promise<void>): Promise<void> {
    await all([
      "ALTER TABLE job ADD COLUMN place text NOT NULL DEFAULT '', ADD COLUMN load_count integer NOT NULL DEFAULT 0",
      `UPDATE job SET
         place = coalesce(r.document #>> '{site,place}', ''),
         load_count = CASE jsonb_typeof(r.document -> 'loads') WHEN 'array' THEN jsonb_array_length(r.document -> 'loads') ELSE 0 END
       FROM job_revision r WHERE r.job_id = job.id AND r.revision = job.head_revision`,
      'DROP INDEX job_workspace_index',
      'CREATE INDEX job_changed_index ON job (workspace_id, updated_at, id)',
      'CREATE INDEX job_name_index ON job (workspace_id, lower(name), id)',
      'DROP TRIGGER job_revision_append_only ON job_revision',
      `ALTER TABLE job_revision
         ADD COLUMN workspace_id uuid,
         ADD COLUMN actor text NOT NULL DEFAULT '',
         ADD COLUMN device text NOT NULL DEFAULT '',
         ADD COLUMN version integer NOT NULL DEFAULT 1,
         ADD COLUMN patch jsonb,
         ADD COLUMN changes jsonb NOT NULL DEFAULT '{"count":0,"labels":[]}',
         ALTER COLUMN document DROP NOT NULL`,
      `UPDATE job_revision SET workspace_id = job.workspace_id, version = coalesce((document ->> 'version')::integer, 1)
       FROM job WHERE job.id = job_revision.job_id`,
      `ALTER TABLE job_revision
         ALTER COLUMN workspace_id SET NOT NULL,
         ADD CONSTRAINT job_revision_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
         ADD CONSTRAINT job_revision_whole_or_patch CHECK ((document IS NULL) <> (patch IS NULL))`,
      'DROP FUNCTION refuse_revision_change',
      // The one way to remove revisions: with the whole job, written into the log by the same function.
      `CREATE FUNCTION guard_revision() RETURNS trigger LANGUAGE plpgsql AS $$
       BEGIN
         IF TG_OP = 'DELETE' AND current_setting('levamen.purging', true) = OLD.job_id::text THEN
           RETURN OLD;
         END IF;
         RAISE EXCEPTION 'job_revision is append-only';
       END $$`,
      `CREATE TRIGGER job_revision_append_only BEFORE UPDATE OR DELETE ON job_revision
       FOR EACH ROW EXECUTE FUNCTION guard_revision()`,
    ]);
  }

  /** Sets of readings never change; jobs are linked to them, and their values lie in the content-addressed store. */
  private async readings(
    runner: QueryRunner,
    all: (statements: readonly string[]) => Promise<void>,
  ): Promise<void> {
    await all([
      'ALTER TABLE reading_set ADD COLUMN workspace_id uuid',
      'UPDATE reading_set SET workspace_id = job.workspace_id FROM job WHERE job.id = reading_set.job_id',
      'DROP INDEX reading_set_job_index',
      `ALTER TABLE reading_set
         ALTER COLUMN workspace_id SET NOT NULL,
         ADD CONSTRAINT reading_set_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)`,
      `CREATE TABLE job_reading_set (
        job_id uuid NOT NULL,
        set_id uuid NOT NULL,
        workspace_id uuid NOT NULL,
        linked_at timestamptz NOT NULL DEFAULT now(),
        removed_at timestamptz,
        CONSTRAINT job_reading_set_pkey PRIMARY KEY (job_id, set_id),
        CONSTRAINT job_reading_set_job_fkey FOREIGN KEY (job_id) REFERENCES job (id),
        CONSTRAINT job_reading_set_set_fkey FOREIGN KEY (set_id) REFERENCES reading_set (id),
        CONSTRAINT job_reading_set_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
      )`,
      'CREATE INDEX job_reading_set_set_index ON job_reading_set (set_id)',
      `INSERT INTO job_reading_set (job_id, set_id, workspace_id, linked_at)
       SELECT job_id, id, workspace_id, created_at FROM reading_set`,
      'ALTER TABLE reading_set DROP COLUMN job_id',
      'ALTER TABLE reading_channel RENAME TO reading_channel_before',
      'ALTER TABLE reading_channel_before RENAME CONSTRAINT reading_channel_pkey TO reading_channel_before_pkey',
      'ALTER TABLE reading_channel_before DROP CONSTRAINT reading_channel_set_fkey',
      `CREATE TABLE reading_channel (
        set_id uuid NOT NULL,
        position integer NOT NULL,
        workspace_id uuid NOT NULL,
        digest text NOT NULL,
        CONSTRAINT reading_channel_pkey PRIMARY KEY (set_id, position),
        CONSTRAINT reading_channel_set_fkey FOREIGN KEY (set_id) REFERENCES reading_set (id) ON DELETE CASCADE,
        CONSTRAINT reading_channel_blob_fkey FOREIGN KEY (workspace_id, digest) REFERENCES blob (workspace_id, digest)
      )`,
      'CREATE INDEX reading_channel_blob_index ON reading_channel (workspace_id, digest)',
      `INSERT INTO blob (workspace_id, digest, bytes, payload)
       SELECT DISTINCT ON (s.workspace_id, encode(sha256(c.payload), 'hex'))
         s.workspace_id, encode(sha256(c.payload), 'hex'), octet_length(c.payload), c.payload
       FROM reading_channel_before c JOIN reading_set s ON s.id = c.set_id`,
      `INSERT INTO reading_channel (set_id, position, workspace_id, digest)
       SELECT c.set_id, c.position, s.workspace_id, encode(sha256(c.payload), 'hex')
       FROM reading_channel_before c JOIN reading_set s ON s.id = c.set_id`,
      'DROP TABLE reading_channel_before',
    ]);
    // Removes a deleted job for good: its revisions, its readings where no other job has them; and writes that down.
    await runner.query(`
      CREATE FUNCTION purge_job(job_to_purge uuid, of_workspace uuid, by_actor text, on_device text) RETURNS boolean
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
        DELETE FROM job_reading_set WHERE job_id = job_to_purge;
        DELETE FROM reading_set s WHERE s.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM job_reading_set l WHERE l.set_id = s.id);
        DELETE FROM blob b WHERE b.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM reading_channel c WHERE c.workspace_id = b.workspace_id AND c.digest = b.digest);
        DELETE FROM job WHERE id = job_to_purge;
        INSERT INTO deed (workspace_id, actor, device, deed, job_id, facts)
          VALUES (of_workspace, by_actor, on_device, 'job purged', job_to_purge,
            jsonb_build_object('name', job_name, 'revisions', revisions));
        RETURN true;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION purge_job(uuid, uuid, text, text) FROM PUBLIC');
    await runner.query('INSERT INTO deed (workspace_id, actor, device, deed) VALUES ($1, $2, $3, $4)', [
      defaultWorkspaceId,
      'Levamen',
      'server',
      'log begun',
    ]);
  }

  /** There is no way back from differences to whole revisions; a backup made before is the way back. */
  down(): Promise<void> {
    return Promise.reject(new Error('Restore a backup that was made before this migration'));
  }
}
