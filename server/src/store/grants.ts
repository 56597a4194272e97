import type { DataSource } from 'typeorm';

/** What the program's own role may do, table by table; it may change no table, and rows of some it may only add. */
const grants = {
  workspace: 'SELECT, INSERT, UPDATE',
  job: 'SELECT, INSERT, UPDATE',
  job_revision: 'SELECT, INSERT',
  deed: 'SELECT, INSERT',
  blob: 'SELECT, INSERT',
  reading_set: 'SELECT, INSERT',
  reading_channel: 'SELECT, INSERT',
  job_reading_set: 'SELECT, INSERT, UPDATE',
  job_photo: 'SELECT, INSERT',
  weather_year: 'SELECT, INSERT, DELETE',
  equipment_revision: 'SELECT, INSERT',
  equipment_item: 'SELECT, INSERT',
  price_book: 'SELECT, INSERT',
  item_price: 'SELECT, INSERT',
  company_rules: 'SELECT, INSERT',
  company_sheet: 'SELECT, INSERT',
  paper: 'SELECT, INSERT',
  paper_order: 'SELECT, INSERT, UPDATE, DELETE',
  client_link: 'SELECT, INSERT, UPDATE',
  acceptance: 'SELECT, INSERT',
  recording: 'SELECT, INSERT, UPDATE',
  recording_chunk: 'SELECT, INSERT',
  training_run: 'SELECT, INSERT',
  backup_run: 'SELECT',
  houses_run: 'SELECT, INSERT, UPDATE, DELETE',
  houses_answer: 'SELECT, INSERT, UPDATE, DELETE',
  account: 'SELECT, INSERT, UPDATE',
  membership: 'SELECT, INSERT, UPDATE, DELETE',
  invitation: 'SELECT, INSERT, UPDATE, DELETE',
  job_assignment: 'SELECT, INSERT, DELETE',
  sign_in_failure: 'SELECT, INSERT, DELETE',
  request_count: 'SELECT, INSERT, UPDATE, DELETE',
  monitor_switch: 'SELECT, INSERT, UPDATE, DELETE',
  presence: 'SELECT, INSERT, UPDATE, DELETE',
  session: 'SELECT, INSERT, UPDATE, DELETE',
  secret: 'SELECT, INSERT',
  migration: 'SELECT',
} as const;

/** Every table of the database, for tests that look for forgotten ones. */
export const grantedTables: readonly string[] = Object.keys(grants);

/** What it may use besides. */
const sequences = ['deed_id_seq', 'sign_in_failure_id_seq'];
const routines = [
  'purge_job(uuid, uuid, text, text)',
  'erase_person(uuid, uuid)',
  'forget_old(uuid)',
  'erase_paper(uuid, uuid)',
  'workspace_of_link(text)',
  'take_up_orders(integer)',
  'take_up_houses(integer)',
];

/**
 * Gives `role` exactly what it needs. Run by the role that owns the tables, after the migrations. What it has already is left alone: a
 * program that starts on a full disk must not have to write.
 */
export async function grantTo(source: DataSource, role: string): Promise<void> {
  const known = await source.query<unknown[]>('SELECT 1 FROM pg_roles WHERE rolname = $1', [role]);
  if (known.length === 0) return;
  const name = source.driver.escape(role);
  const held = await rightsOnTables(source, role);
  for (const [table, rights] of Object.entries(grants)) {
    if (held.get(table) === rights.split(', ').toSorted().join(', ')) continue;
    await source.query(`REVOKE ALL ON ${table} FROM ${name}`);
    await source.query(`GRANT ${rights} ON ${table} TO ${name}`);
  }
  const give = async (kind: string, right: string, things: readonly string[]): Promise<void> => {
    for (const thing of things) {
      const ask = `SELECT has_${kind}_privilege($1, $2, $3) AS held`;
      const [answer] = await source.query<{ held: boolean }[]>(ask, [role, thing, right]);
      if (!answer!.held) await source.query(`GRANT ${right} ON ${kind} ${thing} TO ${name}`);
    }
  };
  await give('schema', 'USAGE', ['public']);
  await give('sequence', 'USAGE', sequences);
  await give('function', 'EXECUTE', routines);
}

/** By table, what a role may do with it, sorted. */
async function rightsOnTables(source: DataSource, role: string): Promise<ReadonlyMap<string, string>> {
  const rows = await source.query<{ name: string; rights: string }[]>(
    `SELECT c.relname AS name, string_agg(a.privilege_type, ', ' ORDER BY a.privilege_type) AS rights
       FROM pg_class c CROSS JOIN LATERAL aclexplode(c.relacl) a JOIN pg_roles r ON r.oid = a.grantee
      WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' AND r.rolname = $1
      GROUP BY c.relname`,
    [role],
  );
  return new Map(rows.map(({ name, rights }) => [name, rights]));
}
