import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Which program found which revision of a job valid, and as it would read it: opening it then needs no checking. */
export class Read1870000000000 implements MigrationInterface {
  readonly name = 'Read1870000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      "ALTER TABLE job ADD COLUMN read_revision integer NOT NULL DEFAULT 0, ADD COLUMN read_by text NOT NULL DEFAULT ''",
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE job DROP COLUMN read_revision, DROP COLUMN read_by');
  }
}
