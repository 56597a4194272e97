import type { MigrationInterface, QueryRunner } from 'typeorm';

const fenced = ['houses_run', 'houses_answer'] as const;

/** Questions about all houses of a company, what each house answers, and everything that is due at each. */
export class Houses1860000000000 implements MigrationInterface {
  readonly name = 'Houses1860000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE job ADD COLUMN dues jsonb NOT NULL DEFAULT '[]', ADD COLUMN sought text NOT NULL DEFAULT ''",
    );
    await runner.query("UPDATE job SET sought = lower(name || E'\\n' || place)");
    await runner.query('CREATE INDEX job_place_index ON job (workspace_id, lower(place), id)');
    // What the list of jobs counts, and nothing else of a job.
    await runner.query('DROP INDEX job_state_index');
    await runner.query('CREATE INDEX job_state_index ON job (workspace_id, state) WHERE deleted_at IS NULL');
    await runner.query(`CREATE TABLE houses_run (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      asked jsonb NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      heard_at timestamptz NOT NULL DEFAULT now(),
      cancelled_at timestamptz,
      CONSTRAINT houses_run_pkey PRIMARY KEY (id),
      CONSTRAINT houses_run_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX houses_run_index ON houses_run (workspace_id, created_at)');
    await runner.query(`CREATE TABLE houses_answer (
      run_id uuid NOT NULL,
      job_id uuid NOT NULL,
      workspace_id uuid NOT NULL,
      answer jsonb,
      CONSTRAINT houses_answer_pkey PRIMARY KEY (run_id, job_id),
      CONSTRAINT houses_answer_run_fkey FOREIGN KEY (run_id) REFERENCES houses_run (id) ON DELETE CASCADE,
      CONSTRAINT houses_answer_job_fkey FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
      CONSTRAINT houses_answer_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX houses_answer_job_index ON houses_answer (job_id)');
    for (const table of fenced) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY ${table}_of_workspace ON ${table}
        USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    }
    // Runs with houses that have not answered, and of which nothing is heard: whoever worked on them has died.
    await runner.query(`
      CREATE FUNCTION take_up_houses(silent_s integer) RETURNS TABLE (run_id uuid, of_workspace uuid)
      LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
        UPDATE houses_run r SET heard_at = now()
          WHERE cancelled_at IS NULL AND heard_at < now() - make_interval(secs => silent_s)
            AND EXISTS (SELECT FROM houses_answer a WHERE a.run_id = r.id AND a.answer IS NULL)
          RETURNING id, workspace_id
      $$`);
    await runner.query('REVOKE ALL ON FUNCTION take_up_houses(integer) FROM PUBLIC');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION take_up_houses(integer)');
    await runner.query('DROP TABLE houses_answer');
    await runner.query('DROP TABLE houses_run');
    await runner.query('DROP INDEX job_place_index');
    await runner.query('DROP INDEX job_state_index');
    await runner.query('CREATE INDEX job_state_index ON job (workspace_id, state)');
    await runner.query('ALTER TABLE job DROP COLUMN dues, DROP COLUMN sought');
  }
}
