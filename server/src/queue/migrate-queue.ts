import PgBoss from 'pg-boss';

/** Where the tables of queues are; they are made with the migrations. */
export const queueSchema = 'pgboss';

/** Every queue there is. */
export const queueNames = ['papers', 'houses'] as const;

/** No work takes longer than this on the slowest machine. Who has died is noticed sooner: nothing is heard of him, s. */
const expireInSeconds = 900;

/** Makes the tables of the queues, or brings them up to date. Run by the role that owns the tables. */
export async function migrateQueue(ownerUrl: string, appRole: string): Promise<void> {
  const boss = new PgBoss({
    connectionString: ownerUrl,
    schema: queueSchema,
    max: 1,
    supervise: false,
    schedule: false,
  });
  boss.on('error', () => undefined);
  await boss.start();
  for (const name of queueNames) await boss.createQueue(name, { name, retryLimit: 2, expireInSeconds });
  const db = boss.getDb();
  const { rows } = await db.executeSql(
    `SELECT has_schema_privilege(r.oid, n.oid, 'USAGE') AND bool_and(
        has_table_privilege(r.oid, c.oid, 'SELECT') AND has_table_privilege(r.oid, c.oid, 'INSERT')
        AND has_table_privilege(r.oid, c.oid, 'UPDATE') AND has_table_privilege(r.oid, c.oid, 'DELETE')) AS held
       FROM pg_roles r, pg_namespace n JOIN pg_class c ON c.relnamespace = n.oid AND c.relkind IN ('r', 'p')
      WHERE r.rolname = $1 AND n.nspname = $2 GROUP BY r.oid, n.oid`,
    [appRole, queueSchema],
  );
  // What is granted already is left alone: a program that starts on a full disk must not have to write.
  if (rows[0]?.held === false) {
    const role = `"${appRole.replaceAll('"', '""')}"`;
    for (const statement of [
      `GRANT USAGE ON SCHEMA ${queueSchema} TO ${role}`,
      `GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${queueSchema} TO ${role}`,
    ])
      await db.executeSql(statement, []);
  }
  await boss.stop({ graceful: false, close: true });
}
