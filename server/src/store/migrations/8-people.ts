import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Tables whose rows belong to a workspace, and are seen by nobody else. */
const fenced = [
  'job',
  'job_revision',
  'deed',
  'blob',
  'reading_set',
  'reading_channel',
  'job_reading_set',
  'job_photo',
  'weather_year',
  'equipment_revision',
  'equipment_item',
  'price_book',
  'item_price',
  'company_rules',
  'invitation',
  'job_assignment',
] as const;

/** Accounts, their memberships and sessions; and the second fence: the database itself keeps workspaces apart. */
export class People1798700000000 implements MigrationInterface {
  readonly name = 'People1798700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE account (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      email text NOT NULL,
      name text NOT NULL,
      password_hash text NOT NULL,
      totp_secret text,
      totp_step integer NOT NULL DEFAULT 0,
      recovery text[] NOT NULL DEFAULT '{}',
      created_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT account_pkey PRIMARY KEY (id),
      CONSTRAINT account_email_key UNIQUE (email)
    )`);
    await runner.query('ALTER TABLE workspace ADD COLUMN second_factor boolean NOT NULL DEFAULT false');
    await runner.query(`CREATE TABLE membership (
      workspace_id uuid NOT NULL,
      account_id uuid NOT NULL,
      role text NOT NULL,
      since timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT membership_pkey PRIMARY KEY (workspace_id, account_id),
      CONSTRAINT membership_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT membership_account_fkey FOREIGN KEY (account_id) REFERENCES account (id)
    )`);
    await runner.query(`CREATE TABLE invitation (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      kind text NOT NULL,
      email text NOT NULL,
      role text NOT NULL,
      digest text NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      expires_at timestamptz NOT NULL,
      used_at timestamptz,
      CONSTRAINT invitation_pkey PRIMARY KEY (id),
      CONSTRAINT invitation_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`CREATE TABLE job_assignment (
      job_id uuid NOT NULL,
      account_id uuid NOT NULL,
      workspace_id uuid NOT NULL,
      CONSTRAINT job_assignment_pkey PRIMARY KEY (job_id, account_id),
      CONSTRAINT job_assignment_job_fkey FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
      CONSTRAINT job_assignment_account_fkey FOREIGN KEY (account_id) REFERENCES account (id),
      CONSTRAINT job_assignment_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`CREATE TABLE sign_in_failure (
      id bigserial NOT NULL,
      key text NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT sign_in_failure_pkey PRIMARY KEY (id)
    )`);
    await runner.query('CREATE INDEX sign_in_failure_index ON sign_in_failure (key, at)');
    await runner.query(`CREATE TABLE session (
      sid text NOT NULL,
      sess json NOT NULL,
      expire timestamp(6) NOT NULL,
      CONSTRAINT session_pkey PRIMARY KEY (sid)
    )`);
    await runner.query('CREATE INDEX session_expire_index ON session (expire)');
    await runner.query(`CREATE TABLE secret (
      name text NOT NULL,
      value text NOT NULL,
      CONSTRAINT secret_pkey PRIMARY KEY (name)
    )`);
    for (const table of fenced) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY ${table}_of_workspace ON ${table}
        USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    }
    // Somebody sees his own memberships before he has chosen among them.
    await runner.query('ALTER TABLE membership ENABLE ROW LEVEL SECURITY');
    await runner.query(`CREATE POLICY membership_of_workspace ON membership USING (
      workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid
      OR account_id = NULLIF(current_setting('levamen.account', true), '')::uuid)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of fenced) {
      await runner.query(`DROP POLICY ${table}_of_workspace ON ${table}`);
      await runner.query(`ALTER TABLE ${table} DISABLE ROW LEVEL SECURITY`);
    }
    await runner.query('ALTER TABLE workspace DROP COLUMN second_factor');
    await runner.query(
      'DROP TABLE secret, session, sign_in_failure, job_assignment, invitation, membership, account',
    );
  }
}
