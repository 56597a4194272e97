import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Tables whose rows say who made them. */
const signed = ['job_revision', 'deed', 'equipment_revision', 'company_rules'] as const;

/** What is known of a person is his account's, can be taken out of what is only ever added to, and may be kept for a time only. */
export class PersonalData1798800000000 implements MigrationInterface {
  readonly name = 'PersonalData1798800000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of signed)
      // The connection says whose request it works for: no statement has to.
      await runner.query(
        `ALTER TABLE ${table} ADD COLUMN account_id uuid DEFAULT (NULLIF(current_setting('levamen.account', true), ''))::uuid`,
      );
    await runner.query(`ALTER TABLE workspace
      ADD COLUMN bin_days integer,
      ADD COLUMN log_days integer`);
    await runner.query(`
      CREATE FUNCTION is_erased(before jsonb, after jsonb) RETURNS boolean LANGUAGE sql AS $$
        SELECT before - 'actor' - 'device' = after - 'actor' - 'device' AND after ->> 'actor' = ''
          AND current_setting('levamen.erasing', true) = before ->> 'account_id'
      $$`);
    await runner.query(`
      CREATE OR REPLACE FUNCTION guard_revision() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND current_setting('levamen.purging', true) = OLD.job_id::text THEN
          RETURN OLD;
        END IF;
        IF TG_OP = 'UPDATE' AND is_erased(to_jsonb(OLD), to_jsonb(NEW)) THEN
          RETURN NEW;
        END IF;
        RAISE EXCEPTION 'job_revision is append-only';
      END $$`);
    await runner.query(`
      CREATE FUNCTION guard_deed() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND current_setting('levamen.forgetting', true) = OLD.workspace_id::text THEN
          RETURN OLD;
        END IF;
        IF TG_OP = 'UPDATE' AND is_erased(to_jsonb(OLD), to_jsonb(NEW)) THEN
          RETURN NEW;
        END IF;
        RAISE EXCEPTION 'deed is append-only';
      END $$`);
    await runner.query('DROP TRIGGER deed_append_only ON deed');
    await runner.query(
      'CREATE TRIGGER deed_append_only BEFORE UPDATE OR DELETE ON deed FOR EACH ROW EXECUTE FUNCTION guard_deed()',
    );
    // The person goes, what he did stays: without his name, and without the names of his devices.
    await runner.query(`
      CREATE FUNCTION erase_person(person uuid, of_workspace uuid) RETURNS integer
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        his_email text;
        rows_of_his integer;
        counted integer;
      BEGIN
        IF EXISTS (SELECT FROM membership WHERE account_id = person AND workspace_id <> of_workspace)
          OR NOT EXISTS (SELECT FROM membership WHERE account_id = person AND workspace_id = of_workspace) THEN
          RETURN NULL;
        END IF;
        SELECT email INTO his_email FROM account WHERE id = person FOR UPDATE;
        PERFORM set_config('levamen.erasing', person::text, true);
        UPDATE job_revision SET actor = '', device = '' WHERE account_id = person;
        GET DIAGNOSTICS rows_of_his = ROW_COUNT;
        UPDATE deed SET actor = '', device = '' WHERE account_id = person;
        GET DIAGNOSTICS counted = ROW_COUNT;
        rows_of_his := rows_of_his + counted;
        UPDATE equipment_revision SET actor = '', device = '' WHERE account_id = person;
        UPDATE company_rules SET actor = '', device = '' WHERE account_id = person;
        PERFORM set_config('levamen.erasing', '', true);
        DELETE FROM session WHERE sess ->> 'accountId' = person::text;
        DELETE FROM invitation WHERE email = his_email;
        DELETE FROM sign_in_failure WHERE key IN (his_email, person::text);
        DELETE FROM job_assignment WHERE account_id = person;
        DELETE FROM membership WHERE account_id = person;
        DELETE FROM account WHERE id = person;
        RETURN rows_of_his;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION erase_person(uuid, uuid) FROM PUBLIC');
    await runner.query(`
      CREATE FUNCTION forget_old(of_workspace uuid) RETURNS integer
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        kept workspace%ROWTYPE;
        old_job uuid;
        forgotten integer := 0;
        counted integer;
      BEGIN
        SELECT * INTO kept FROM workspace WHERE id = of_workspace;
        IF kept.bin_days IS NOT NULL THEN
          FOR old_job IN SELECT id FROM job WHERE workspace_id = of_workspace
            AND deleted_at < now() - make_interval(days => kept.bin_days) LOOP
            PERFORM purge_job(old_job, of_workspace, 'Levamen', 'after the time that was set');
            forgotten := forgotten + 1;
          END LOOP;
        END IF;
        IF kept.log_days IS NOT NULL THEN
          PERFORM set_config('levamen.forgetting', of_workspace::text, true);
          DELETE FROM deed WHERE workspace_id = of_workspace AND at < now() - make_interval(days => kept.log_days);
          GET DIAGNOSTICS counted = ROW_COUNT;
          PERFORM set_config('levamen.forgetting', '', true);
          forgotten := forgotten + counted;
        END IF;
        DELETE FROM invitation WHERE workspace_id = of_workspace AND expires_at < now() - interval '30 days';
        RETURN forgotten;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION forget_old(uuid) FROM PUBLIC');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP FUNCTION forget_old(uuid)');
    await runner.query('DROP FUNCTION erase_person(uuid, uuid)');
    await runner.query('DROP TRIGGER deed_append_only ON deed');
    await runner.query('DROP FUNCTION guard_deed()');
    await runner.query(
      'CREATE TRIGGER deed_append_only BEFORE UPDATE OR DELETE ON deed FOR EACH ROW EXECUTE FUNCTION refuse_change()',
    );
    await runner.query(`
      CREATE OR REPLACE FUNCTION guard_revision() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'DELETE' AND current_setting('levamen.purging', true) = OLD.job_id::text THEN
          RETURN OLD;
        END IF;
        RAISE EXCEPTION 'job_revision is append-only';
      END $$`);
    await runner.query('DROP FUNCTION is_erased(jsonb, jsonb)');
    await runner.query('ALTER TABLE workspace DROP COLUMN bin_days, DROP COLUMN log_days');
    for (const table of signed) await runner.query(`ALTER TABLE ${table} DROP COLUMN account_id`);
  }
}
