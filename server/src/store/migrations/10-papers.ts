import type { MigrationInterface, QueryRunner } from 'typeorm';

const fenced = ['company_sheet', 'paper', 'paper_order', 'client_link', 'acceptance'] as const;
const stamp = "account_id uuid DEFAULT (NULLIF(current_setting('levamen.account', true), ''))::uuid";

/** What the company prints, papers that are made and issued, and links by which households read and accept them. */
export class Papers1799400000000 implements MigrationInterface {
  readonly name = 'Papers1799400000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE company_sheet (
      workspace_id uuid NOT NULL,
      revision integer NOT NULL,
      actor text NOT NULL,
      device text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now(),
      ${stamp},
      sheet jsonb NOT NULL,
      CONSTRAINT company_sheet_pkey PRIMARY KEY (workspace_id, revision),
      CONSTRAINT company_sheet_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`CREATE TABLE paper (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      job_id uuid NOT NULL,
      kind text NOT NULL,
      year integer NOT NULL,
      running integer NOT NULL,
      number text NOT NULL,
      letter_index integer NOT NULL,
      title text NOT NULL,
      request jsonb NOT NULL,
      issued_at timestamptz NOT NULL DEFAULT now(),
      actor text NOT NULL,
      device text NOT NULL,
      ${stamp},
      job_revision integer NOT NULL,
      equipment_revision integer NOT NULL,
      rule_pack text NOT NULL,
      digest text NOT NULL,
      bytes integer NOT NULL,
      content jsonb,
      changes jsonb NOT NULL,
      erased_at timestamptz,
      CONSTRAINT paper_pkey PRIMARY KEY (id),
      CONSTRAINT paper_number_key UNIQUE (workspace_id, running, letter_index),
      CONSTRAINT paper_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX paper_job_index ON paper (job_id, issued_at)');
    await runner.query(`CREATE TABLE paper_order (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      job_id uuid NOT NULL,
      asked jsonb NOT NULL,
      actor text NOT NULL,
      device text NOT NULL,
      ${stamp},
      state text NOT NULL DEFAULT 'waiting',
      share real NOT NULL DEFAULT 0,
      says text NOT NULL DEFAULT '',
      missing jsonb NOT NULL DEFAULT '[]',
      result bytea,
      paper_id uuid,
      created_at timestamptz NOT NULL DEFAULT now(),
      told_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT paper_order_pkey PRIMARY KEY (id),
      CONSTRAINT paper_order_job_fkey FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
      CONSTRAINT paper_order_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query('CREATE INDEX paper_order_job_index ON paper_order (job_id)');
    await runner.query(`CREATE TABLE client_link (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      paper_id uuid NOT NULL,
      digest text NOT NULL,
      created_at timestamptz NOT NULL DEFAULT now(),
      expires_at timestamptz NOT NULL,
      revoked_at timestamptz,
      opened integer NOT NULL DEFAULT 0,
      CONSTRAINT client_link_pkey PRIMARY KEY (id),
      CONSTRAINT client_link_digest_key UNIQUE (digest),
      CONSTRAINT client_link_paper_fkey FOREIGN KEY (paper_id) REFERENCES paper (id),
      CONSTRAINT client_link_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`CREATE TABLE acceptance (
      id uuid NOT NULL DEFAULT gen_random_uuid(),
      workspace_id uuid NOT NULL,
      paper_id uuid NOT NULL,
      link_id uuid NOT NULL,
      design_id text NOT NULL,
      design_name text NOT NULL,
      name text NOT NULL,
      at timestamptz NOT NULL DEFAULT now(),
      came_from text NOT NULL,
      agent text NOT NULL,
      CONSTRAINT acceptance_pkey PRIMARY KEY (id),
      CONSTRAINT acceptance_paper_key UNIQUE (paper_id),
      CONSTRAINT acceptance_paper_fkey FOREIGN KEY (paper_id) REFERENCES paper (id),
      CONSTRAINT acceptance_link_fkey FOREIGN KEY (link_id) REFERENCES client_link (id),
      CONSTRAINT acceptance_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    for (const table of fenced) {
      await runner.query(`ALTER TABLE ${table} ENABLE ROW LEVEL SECURITY`);
      await runner.query(`CREATE POLICY ${table}_of_workspace ON ${table}
        USING (workspace_id = NULLIF(current_setting('levamen.workspace', true), '')::uuid)`);
    }
    // What a paper is stays; its bytes may go, and the name of who issued it.
    await runner.query(`
      CREATE FUNCTION guard_paper() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'UPDATE' AND is_erased(to_jsonb(OLD), to_jsonb(NEW)) THEN
          RETURN NEW;
        END IF;
        IF TG_OP = 'UPDATE' AND OLD.erased_at IS NULL AND NEW.erased_at IS NOT NULL AND NEW.content IS NULL
          AND to_jsonb(OLD) - 'erased_at' - 'content' = to_jsonb(NEW) - 'erased_at' - 'content'
          AND current_setting('levamen.erasing_paper', true) = OLD.id::text THEN
          RETURN NEW;
        END IF;
        RAISE EXCEPTION 'paper is append-only';
      END $$`);
    await runner.query(
      'CREATE TRIGGER paper_append_only BEFORE UPDATE OR DELETE ON paper FOR EACH ROW EXECUTE FUNCTION guard_paper()',
    );
    await runner.query(`
      CREATE FUNCTION guard_sheet() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        IF TG_OP = 'UPDATE' AND is_erased(to_jsonb(OLD), to_jsonb(NEW)) THEN
          RETURN NEW;
        END IF;
        RAISE EXCEPTION 'company_sheet is append-only';
      END $$`);
    await runner.query(
      'CREATE TRIGGER company_sheet_append_only BEFORE UPDATE OR DELETE ON company_sheet FOR EACH ROW EXECUTE FUNCTION guard_sheet()',
    );
    await runner.query(
      'CREATE TRIGGER acceptance_append_only BEFORE UPDATE OR DELETE ON acceptance FOR EACH ROW EXECUTE FUNCTION refuse_change()',
    );
    await runner.query(`
      CREATE FUNCTION forget_blobs(of_workspace uuid) RETURNS void
      LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
        DELETE FROM blob b WHERE b.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM reading_channel c WHERE c.workspace_id = b.workspace_id AND c.digest = b.digest)
          AND NOT EXISTS (SELECT FROM job_photo p WHERE p.workspace_id = b.workspace_id AND p.digest = b.digest)
          AND NOT EXISTS (SELECT FROM company_sheet s WHERE s.workspace_id = b.workspace_id AND s.sheet ->> 'logo' = b.digest)
          AND NOT EXISTS (SELECT FROM paper q WHERE q.workspace_id = b.workspace_id AND q.digest = b.digest AND q.erased_at IS NULL)
      $$`);
    await runner.query('REVOKE ALL ON FUNCTION forget_blobs(uuid) FROM PUBLIC');
    await runner.query(`
      CREATE FUNCTION erase_paper(erased uuid, of_workspace uuid) RETURNS boolean
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM set_config('levamen.erasing_paper', erased::text, true);
        UPDATE paper SET erased_at = now(), content = NULL
          WHERE id = erased AND workspace_id = of_workspace AND erased_at IS NULL;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        PERFORM set_config('levamen.erasing_paper', '', true);
        UPDATE client_link SET revoked_at = now() WHERE paper_id = erased AND revoked_at IS NULL;
        PERFORM forget_blobs(of_workspace);
        RETURN true;
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION erase_paper(uuid, uuid) FROM PUBLIC');
    // Whoever works on an order says so all the time: of whom nothing is heard has died, and somebody else begins anew.
    await runner.query(`
      CREATE FUNCTION take_up_orders(silent_s integer) RETURNS TABLE (order_id uuid, of_workspace uuid)
      LANGUAGE sql SECURITY DEFINER SET search_path = public, pg_temp AS $$
        UPDATE paper_order SET state = 'waiting', told_at = now()
          WHERE state = 'making' AND told_at < now() - make_interval(secs => silent_s)
          RETURNING id, workspace_id
      $$`);
    await runner.query('REVOKE ALL ON FUNCTION take_up_orders(integer) FROM PUBLIC');
    // Who comes with a link has no workspace yet: this says which one it is of, and nothing else.
    await runner.query(`
      CREATE FUNCTION workspace_of_link(of_digest text) RETURNS uuid
      LANGUAGE sql SECURITY DEFINER STABLE SET search_path = public, pg_temp AS $$
        SELECT workspace_id FROM client_link
          WHERE digest = of_digest AND revoked_at IS NULL AND expires_at > now()
      $$`);
    await runner.query('REVOKE ALL ON FUNCTION workspace_of_link(text) FROM PUBLIC');
    await runner.query(`
      CREATE OR REPLACE FUNCTION purge_job(job_to_purge uuid, of_workspace uuid, by_actor text, on_device text) RETURNS boolean
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      DECLARE
        job_name text;
        revisions integer;
        his_paper uuid;
      BEGIN
        SELECT name INTO job_name FROM job
          WHERE id = job_to_purge AND workspace_id = of_workspace AND deleted_at IS NOT NULL FOR UPDATE;
        IF NOT FOUND THEN
          RETURN false;
        END IF;
        PERFORM set_config('levamen.purging', job_to_purge::text, true);
        DELETE FROM job_revision WHERE job_id = job_to_purge;
        GET DIAGNOSTICS revisions = ROW_COUNT;
        PERFORM set_config('levamen.purging', '', true);
        DELETE FROM job_photo WHERE job_id = job_to_purge;
        DELETE FROM job_reading_set WHERE job_id = job_to_purge;
        DELETE FROM reading_set s WHERE s.workspace_id = of_workspace
          AND NOT EXISTS (SELECT FROM job_reading_set l WHERE l.set_id = s.id);
        FOR his_paper IN SELECT id FROM paper WHERE job_id = job_to_purge AND workspace_id = of_workspace LOOP
          PERFORM erase_paper(his_paper, of_workspace);
        END LOOP;
        DELETE FROM job WHERE id = job_to_purge;
        PERFORM forget_blobs(of_workspace);
        INSERT INTO deed (workspace_id, actor, device, deed, job_id, facts)
          VALUES (of_workspace, by_actor, on_device, 'job purged', job_to_purge,
            jsonb_build_object('name', job_name, 'revisions', revisions));
        RETURN true;
      END $$`);
    await runner.query(`
      CREATE FUNCTION erase_papers_of_person(person uuid) RETURNS void
      LANGUAGE plpgsql SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM set_config('levamen.erasing', person::text, true);
        UPDATE paper SET actor = '', device = '' WHERE account_id = person;
        UPDATE company_sheet SET actor = '', device = '' WHERE account_id = person;
        UPDATE paper_order SET actor = '', device = '' WHERE account_id = person;
        PERFORM set_config('levamen.erasing', '', true);
      END $$`);
    await runner.query('REVOKE ALL ON FUNCTION erase_papers_of_person(uuid) FROM PUBLIC');
    await runner.query(`
      CREATE FUNCTION erase_papers_with_person() RETURNS trigger LANGUAGE plpgsql
      SECURITY DEFINER SET search_path = public, pg_temp AS $$
      BEGIN
        PERFORM erase_papers_of_person(OLD.id);
        RETURN OLD;
      END $$`);
    await runner.query(
      'CREATE TRIGGER account_papers BEFORE DELETE ON account FOR EACH ROW EXECUTE FUNCTION erase_papers_with_person()',
    );
  }

  /** Papers that were issued would be lost; a backup made before is the way back. */
  down(): Promise<void> {
    return Promise.reject(new Error('Restore a backup that was made before this migration'));
  }
}
