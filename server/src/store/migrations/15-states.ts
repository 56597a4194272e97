import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How far each job is, for the list; and by which version of the program what the list shows was read from its document. */
export class States1840000000000 implements MigrationInterface {
  readonly name = 'States1840000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE job ADD COLUMN state text NOT NULL DEFAULT '', ADD COLUMN columns_version integer NOT NULL DEFAULT 0",
    );
    await runner.query('CREATE INDEX job_state_index ON job (workspace_id, state)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX job_state_index');
    await runner.query('ALTER TABLE job DROP COLUMN state, DROP COLUMN columns_version');
  }
}
