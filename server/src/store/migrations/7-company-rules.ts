import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The rules that a company adds to the code. They only grow. */
export class CompanyRules1798100000000 implements MigrationInterface {
  readonly name = 'CompanyRules1798100000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE company_rules (
      workspace_id uuid NOT NULL,
      revision integer NOT NULL,
      said text NOT NULL,
      actor text NOT NULL,
      device text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now(),
      rules jsonb NOT NULL,
      CONSTRAINT company_rules_pkey PRIMARY KEY (workspace_id, revision),
      CONSTRAINT company_rules_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`
      CREATE FUNCTION refuse_rules_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'revisions of rules are append-only';
      END $$`);
    await runner.query(`
      CREATE TRIGGER company_rules_append_only BEFORE UPDATE OR DELETE ON company_rules
      FOR EACH ROW EXECUTE FUNCTION refuse_rules_change()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE company_rules');
    await runner.query('DROP FUNCTION refuse_rules_change');
  }
}
