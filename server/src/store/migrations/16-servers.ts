import type { MigrationInterface, QueryRunner } from 'typeorm';

/**
 * What several servers of one database share: requests counted, who has which job open, what is switched on in simulated houses, which of them records
 * a system. All but the last are of the moment: they are written to no journal, and a database that was killed begins with none.
 */
export class Servers1850000000000 implements MigrationInterface {
  readonly name = 'Servers1850000000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE UNLOGGED TABLE request_count (
      key text NOT NULL,
      requests integer NOT NULL,
      until timestamptz NOT NULL,
      CONSTRAINT request_count_pkey PRIMARY KEY (key)
    )`);
    await runner.query(`CREATE UNLOGGED TABLE presence (
      id uuid NOT NULL,
      workspace_id uuid NOT NULL,
      job_id uuid NOT NULL,
      server_id uuid NOT NULL,
      window_id uuid NOT NULL,
      actor text NOT NULL,
      device text NOT NULL,
      entered_at timestamptz NOT NULL DEFAULT now(),
      heard_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT presence_pkey PRIMARY KEY (id),
      CONSTRAINT presence_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX presence_job_index ON presence (job_id)');
    await runner.query('ALTER TABLE presence ENABLE ROW LEVEL SECURITY');
    await runner.query(`CREATE POLICY presence_of_workspace ON presence
      USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    await runner.query(`CREATE UNLOGGED TABLE monitor_switch (
      seed integer NOT NULL,
      channel text NOT NULL,
      on_s bigint NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT monitor_switch_pkey PRIMARY KEY (seed, channel)
    )`);
    await runner.query('ALTER TABLE recording ADD COLUMN recorder uuid, ADD COLUMN heard_at timestamptz');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE recording DROP COLUMN recorder, DROP COLUMN heard_at');
    await runner.query('DROP TABLE monitor_switch');
    await runner.query('DROP TABLE presence');
    await runner.query('DROP TABLE request_count');
  }
}
