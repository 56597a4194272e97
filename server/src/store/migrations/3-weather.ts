import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Years of weather that were read from files. */
export class Weather1796200000000 implements MigrationInterface {
  readonly name = 'Weather1796200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`
      CREATE TABLE weather_year (
        id uuid NOT NULL DEFAULT gen_random_uuid(),
        workspace_id uuid NOT NULL,
        name text NOT NULL,
        source text NOT NULL,
        latitude_deg double precision NOT NULL,
        longitude_deg double precision NOT NULL,
        altitude_m double precision NOT NULL,
        zone_h double precision NOT NULL,
        digest text NOT NULL,
        payload bytea NOT NULL,
        created_at timestamptz NOT NULL DEFAULT now(),
        CONSTRAINT weather_year_pkey PRIMARY KEY (id),
        CONSTRAINT weather_year_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
        CONSTRAINT weather_year_digest_key UNIQUE (workspace_id, digest)
      )`);
    // The hours are deflated already: the database need not try again.
    await runner.query('ALTER TABLE weather_year ALTER COLUMN payload SET STORAGE EXTERNAL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE weather_year');
  }
}
