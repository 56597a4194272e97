import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What of a job is due next, for the list; recordings that were read from files and asked of no system. */
export class Logbook1820000000000 implements MigrationInterface {
  readonly name = 'Logbook1820000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE job ADD COLUMN due_on date, ADD COLUMN due_text text NOT NULL DEFAULT ''",
    );
    await runner.query('CREATE INDEX job_due_index ON job (workspace_id, due_on)');
    await runner.query('ALTER TABLE recording ALTER COLUMN system DROP NOT NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DELETE FROM recording WHERE system IS NULL');
    await runner.query('ALTER TABLE recording ALTER COLUMN system SET NOT NULL');
    await runner.query('DROP INDEX job_due_index');
    await runner.query('ALTER TABLE job DROP COLUMN due_on, DROP COLUMN due_text');
  }
}
