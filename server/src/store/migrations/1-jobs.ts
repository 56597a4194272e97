import type { MigrationInterface, QueryRunner } from 'typeorm';
import { defaultWorkspaceId } from '../default-workspace.js';

/** Workspaces, jobs and their append-only revisions. */
export class Jobs1795000000000 implements MigrationInterface {
  readonly name = 'Jobs1795000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE workspace (
        id uuid NOT NULL DEFAULT gen_random_uuid(),
        name text NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT workspace_pkey PRIMARY KEY (id)
      )`);
    await runner.query(`
      CREATE TABLE job (
        id uuid NOT NULL DEFAULT gen_random_uuid(),
        workspace_id uuid NOT NULL,
        name text NOT NULL,
        head_revision integer NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        updated_at timestamptz NOT NULL DEFAULT now(),
        deleted_at timestamptz,
        CONSTRAINT job_pkey PRIMARY KEY (id),
        CONSTRAINT job_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
      )`);
    await runner.query('CREATE INDEX job_workspace_index ON job (workspace_id)');
    await runner.query(`
      CREATE TABLE job_revision (
        job_id uuid NOT NULL,
        revision integer NOT NULL,
        save_id uuid NOT NULL,
        document jsonb NOT NULL,
        saved_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT job_revision_pkey PRIMARY KEY (job_id, revision),
        CONSTRAINT job_revision_save_key UNIQUE (job_id, save_id),
        CONSTRAINT job_revision_job_fkey FOREIGN KEY (job_id) REFERENCES job (id)
      )`);
    await runner.query(`
      CREATE FUNCTION refuse_revision_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'revisions are append-only';
      END $$`);
    await runner.query(`
      CREATE TRIGGER job_revision_append_only BEFORE UPDATE OR DELETE ON job_revision
      FOR EACH ROW EXECUTE FUNCTION refuse_revision_change()`);
    await runner.query('INSERT INTO workspace (id, name) VALUES ($1, $2)', [defaultWorkspaceId, 'Workspace']);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE job_revision, job, workspace');
    await runner.query('DROP FUNCTION refuse_revision_change');
  }
}
