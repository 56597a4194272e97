import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Meter data: a set of readings, and one packed value a channel. */
export class Readings1795600000000 implements MigrationInterface {
  readonly name = 'Readings1795600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE reading_set (
        id uuid NOT NULL DEFAULT gen_random_uuid(),
        job_id uuid NOT NULL,
        name text NOT NULL,
        zone text NOT NULL,
        start_s bigint NOT NULL,
        interval_s integer NOT NULL,
        count integer NOT NULL,
        channels jsonb NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT reading_set_pkey PRIMARY KEY (id),
        CONSTRAINT reading_set_job_fkey FOREIGN KEY (job_id) REFERENCES job (id)
      )`);
    await runner.query('CREATE INDEX reading_set_job_index ON reading_set (job_id)');
    await runner.query(`
      CREATE TABLE reading_channel (
        set_id uuid NOT NULL,
        position integer NOT NULL,
        payload bytea NOT NULL,
        CONSTRAINT reading_channel_pkey PRIMARY KEY (set_id, position),
        CONSTRAINT reading_channel_set_fkey FOREIGN KEY (set_id) REFERENCES reading_set (id) ON DELETE CASCADE
      )`);
    // The values are deflated already: the database need not try again.
    await runner.query('ALTER TABLE reading_channel ALTER COLUMN payload SET STORAGE EXTERNAL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE reading_channel, reading_set');
  }
}
