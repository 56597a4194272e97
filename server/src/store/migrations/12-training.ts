import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How people did on simulated houses with a fault. */
export class Training1810000000000 implements MigrationInterface {
  readonly name = 'Training1810000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE training_run (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      result jsonb NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      actor text NOT NULL,
      device text NOT NULL,
      account_id uuid DEFAULT (NULLIF(current_setting('levamen.account', true), ''))::uuid,
      CONSTRAINT training_run_pkey PRIMARY KEY (id),
      CONSTRAINT training_run_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX training_run_index ON training_run (workspace_id, at)');
    await runner.query('ALTER TABLE training_run ENABLE ROW LEVEL SECURITY');
    await runner.query(`CREATE POLICY training_run_of_workspace ON training_run
      USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    // With a person that is erased goes how he did.
    await runner.query(`
      CREATE FUNCTION erase_training_with_person() RETURNS trigger LANGUAGE plpgsql
      SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        DELETE FROM training_run WHERE account_id = OLD.id;
        RETURN OLD;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION erase_training_with_person() FROM PUBLIC');
    await runner.query(
      'CREATE TRIGGER account_training BEFORE DELETE ON account FOR EACH ROW EXECUTE FUNCTION erase_training_with_person()',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TRIGGER account_training ON account');
    await runner.query('DROP FUNCTION erase_training_with_person()');
    await runner.query('DROP TABLE training_run');
  }
}
