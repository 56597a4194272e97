import type { DataSource } from 'typeorm';
import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import { poolOf } from '../store/pool-of.js';
import { type Ordered, PaperWork } from './paper-work.js';

const queue = 'papers';
/** Where its tables are; they are made with the migrations. */
const schema = 'pgboss';
/** A paper takes no longer than this on the slowest machine. Who has died is noticed sooner: nothing is heard of him. */
const expireInSeconds = 900;
const pollS = 0.5;
/** Whoever works on an order tells so all the time; after so long without a word he has died, s. */
const silentS = 10;
const lookS = 5;
/** What is being made has so long to let go when the server stops, ms. */
const stopMs = 4000;

/** Makes the tables of the queue, or brings them up to date. Run by the role that owns the tables. */
export async function migrateQueue(ownerUrl: string, appRole: string): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, schema, max: 1, supervise: false, schedule: false });
  boss.on('error', () => undefined);
  await boss.start();
  await boss.createQueue(queue, { name: queue, retryLimit: 2, expireInSeconds });
  const db = boss.getDb();
  const { rows } = await db.executeSql('SELECT 1 FROM pg_roles WHERE rolname = $1', [appRole]);
  if (rows.length > 0) {
    const role = `"${appRole.replaceAll('"', '""')}"`;
    for (const statement of [
      `GRANT USAGE ON SCHEMA ${schema} TO ${role}`,
      `GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA ${schema} TO ${role}`,
    ])
      await db.executeSql(statement, []);
  }
  await boss.stop({ graceful: false, close: true });
}

/** Orders of papers, kept in the database: whichever server has time takes the next, and one that dies in between loses nothing. */
export class PaperQueue {
  private starting: Promise<PgBoss> | null = null;
  private worker = '';
  private looking: NodeJS.Timeout | null = null;
  private readonly work: PaperWork;

  constructor(
    private readonly source: DataSource,
    private readonly logger: Logger,
  ) {
    this.work = new PaperWork(source, logger);
  }

  /** Takes orders from now on. */
  start(): Promise<PgBoss> {
    this.starting ??= this.begin();
    return this.starting;
  }

  /** Puts an order at the end. */
  async add(ordered: Ordered): Promise<void> {
    const boss = await this.start();
    await boss.send(queue, ordered);
    boss.notifyWorker(this.worker);
  }

  /** Somebody looks at papers: one will be asked for soon. */
  warm(): void {
    this.work.warm();
  }

  /** Takes no more; what is being made is left to whoever comes next. */
  async stop(): Promise<void> {
    if (this.looking) clearInterval(this.looking);
    const boss = await this.starting?.catch(() => null);
    await this.work.close();
    await boss?.stop({ graceful: true, wait: true, close: false, timeout: stopMs });
    this.starting = null;
  }

  private async begin(): Promise<PgBoss> {
    const pool = poolOf(this.source);
    const boss = new PgBoss({
      schema,
      migrate: false,
      schedule: false,
      maintenanceIntervalSeconds: 30,
      archiveCompletedAfterSeconds: 3600,
      deleteAfterHours: 24,
      db: {
        executeSql: (text, values: unknown[]) =>
          // A text of several statements takes no values.
          values === undefined || values.length === 0 ? pool.query(text) : pool.query(text, values),
      },
    });
    boss.on('error', (error) => this.logger.warn({ err: error }, 'the queue of papers'));
    await boss.start();
    this.worker = await boss.work<Ordered>(queue, { pollingIntervalSeconds: pollS }, async ([job]) => {
      if (job) await this.work.work(job.data);
    });
    const look = (): void => {
      this.takeUp(boss).catch((error: unknown) => this.logger.warn({ err: error }, 'orders of papers'));
    };
    look();
    this.looking = setInterval(look, lookS * 1000);
    this.looking.unref();
    return boss;
  }

  /** Orders that somebody was working on who has died are put in again. */
  private async takeUp(boss: PgBoss): Promise<void> {
    const left = await this.source.query<{ order_id: string; of_workspace: string }[]>(
      'SELECT order_id, of_workspace FROM take_up_orders($1)',
      [silentS],
    );
    for (const { order_id: orderId, of_workspace: workspaceId } of left)
      await boss.send(queue, { orderId, workspaceId } satisfies Ordered);
  }
}
