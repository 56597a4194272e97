import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What came of scheduled backups of this database. */
export class Backups1830000000000 implements MigrationInterface {
  readonly name = 'Backups1830000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE backup_run (
      id bigserial NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      is_good boolean NOT NULL,
      says text NOT NULL,
      bytes bigint,
      is_sent boolean,
      CONSTRAINT backup_run_pkey PRIMARY KEY (id)
    )`);
    await runner.query('CREATE INDEX backup_run_index ON backup_run (at)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE backup_run');
  }
}
