import type { MigrationInterface, QueryRunner } from 'typeorm';

const fenced = ['recording', 'recording_chunk'] as const;

/** In which networks the server may ask devices, and what was recorded of systems second by second. */
export class Devices1800000000000 implements MigrationInterface {
  readonly name = 'Devices1800000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE workspace ADD COLUMN device_networks jsonb NOT NULL DEFAULT '[]'`);
    await runner.query(`CREATE TABLE recording (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      job_id uuid NOT NULL,
      name text NOT NULL,
      system jsonb NOT NULL,
      began_at timestamptz NOT NULL DEFAULT now(),
      ended_at timestamptz,
      actor text NOT NULL,
      device text NOT NULL,
      account_id uuid DEFAULT (NULLIF(current_setting('levamen.account', true), ''))::uuid,
      CONSTRAINT recording_pkey PRIMARY KEY (id),
      CONSTRAINT recording_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT recording_job_fkey FOREIGN KEY (job_id) REFERENCES job (id)
    )`);
    await runner.query('CREATE INDEX recording_job_index ON recording (job_id, began_at)');
    await runner.query(`CREATE TABLE recording_chunk (
      recording_id uuid NOT NULL,
      position integer NOT NULL,
      workspace_id uuid NOT NULL,
      until_s integer NOT NULL,
      samples integer NOT NULL,
      payload bytea NOT NULL,
      CONSTRAINT recording_chunk_pkey PRIMARY KEY (recording_id, position),
      CONSTRAINT recording_chunk_recording_fkey FOREIGN KEY (recording_id) REFERENCES recording (id) ON DELETE CASCADE,
      CONSTRAINT recording_chunk_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    for (const table of fenced) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY ${table}_of_workspace ON ${table}
        USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    }
    // With a job that is removed for good go its recordings; with a person that is erased goes his name on them.
    await runner.query(`
      CREATE FUNCTION forget_recordings() RETURNS trigger LANGUAGE plpgsql
      SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        DELETE FROM recording WHERE job_id = OLD.id;
        RETURN OLD;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION forget_recordings() FROM PUBLIC');
    await runner.query(
      'CREATE TRIGGER job_recordings BEFORE DELETE ON job FOR EACH ROW EXECUTE FUNCTION forget_recordings()',
    );
    await runner.query(`
      CREATE FUNCTION erase_recordings_with_person() RETURNS trigger LANGUAGE plpgsql
      SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        UPDATE recording SET actor = '', device = '' WHERE account_id = OLD.id;
        RETURN OLD;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION erase_recordings_with_person() FROM PUBLIC');
    await runner.query(
      'CREATE TRIGGER account_recordings BEFORE DELETE ON account FOR EACH ROW EXECUTE FUNCTION erase_recordings_with_person()',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER account_recordings ON account');
    await runner.query('DROP FUNCTION erase_recordings_with_person()');
    await runner.query('DROP TRIGGER job_recordings ON job');
    await runner.query('DROP FUNCTION forget_recordings()');
    for (const table of fenced.toReversed()) await runner.query(`DROP TABLE ${table}`);
    await runner.query('ALTER TABLE workspace DROP COLUMN device_networks');
  }
}
