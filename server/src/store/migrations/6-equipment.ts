import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The company's equipment: revisions of its list, items and prices as they are from one revision on. All only grow. */
export class Equipment1797500000000 implements MigrationInterface {
  readonly name = 'Equipment1797500000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`CREATE TABLE equipment_revision (
      workspace_id uuid NOT NULL,
      revision integer NOT NULL,
      change_id uuid NOT NULL,
      said text NOT NULL,
      sample_hidden boolean NOT NULL,
      actor text NOT NULL,
      device text NOT NULL,
      changed_at timestamptz NOT NULL DEFAULT now(),
      CONSTRAINT equipment_revision_pkey PRIMARY KEY (workspace_id, revision),
      CONSTRAINT equipment_revision_change_key UNIQUE (workspace_id, change_id),
      CONSTRAINT equipment_revision_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id)
    )`);
    await runner.query(`CREATE TABLE equipment_item (
      workspace_id uuid NOT NULL,
      item_id text NOT NULL,
      revision integer NOT NULL,
      kind text NOT NULL,
      name text NOT NULL,
      line text NOT NULL,
      article_number text NOT NULL,
      mass_kg double precision,
      retired boolean NOT NULL,
      item jsonb,
      CONSTRAINT equipment_item_pkey PRIMARY KEY (workspace_id, item_id, revision),
      CONSTRAINT equipment_item_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT equipment_item_revision_fkey FOREIGN KEY (workspace_id, revision)
        REFERENCES equipment_revision (workspace_id, revision)
    )`);
    await runner.query(
      'CREATE INDEX equipment_item_revision_index ON equipment_item (workspace_id, revision)',
    );
    await runner.query(`CREATE TABLE price_book (
      workspace_id uuid NOT NULL,
      revision integer NOT NULL,
      currency text NOT NULL,
      book jsonb NOT NULL,
      CONSTRAINT price_book_pkey PRIMARY KEY (workspace_id, revision),
      CONSTRAINT price_book_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT price_book_revision_fkey FOREIGN KEY (workspace_id, revision)
        REFERENCES equipment_revision (workspace_id, revision)
    )`);
    await runner.query(`CREATE TABLE item_price (
      workspace_id uuid NOT NULL,
      revision integer NOT NULL,
      list_id text NOT NULL,
      position integer NOT NULL,
      item_id text NOT NULL,
      net numeric(13,4) NOT NULL,
      CONSTRAINT item_price_pkey PRIMARY KEY (workspace_id, revision, list_id, position),
      CONSTRAINT item_price_workspace_fkey FOREIGN KEY (workspace_id) REFERENCES workspace (id),
      CONSTRAINT item_price_book_fkey FOREIGN KEY (workspace_id, revision)
        REFERENCES price_book (workspace_id, revision)
    )`);
    await runner.query(`
      CREATE FUNCTION refuse_equipment_change() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'revisions of equipment are append-only';
      END $$`);
    for (const table of ['equipment_revision', 'equipment_item', 'price_book', 'item_price'])
      await runner.query(`
        CREATE TRIGGER ${table}_append_only BEFORE UPDATE OR DELETE ON ${table}
        FOR EACH ROW EXECUTE FUNCTION refuse_equipment_change()`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE item_price, price_book, equipment_item, equipment_revision');
    await runner.query('DROP FUNCTION refuse_equipment_change');
  }
}
