import PgBoss from 'pg-boss';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { poolOf } from '../store/pool-of.js';
import { queueSchema } from './migrate-queue.js';
import type { Work } from './work.js';

const pollS = 0.5;
const lookS = 5;
/** What is being done has so long to let go when the server stops, ms. */
const stopMs = 4000;

/** Heavy work, kept in the database: whichever process has time takes the next, and one that dies in between loses nothing. */
export class WorkQueue {
  private starting: Promise<PgBoss> | null = null;
  private workers: { readonly name: string; readonly id: string }[] = [];
  private looking: NodeJS.Timeout | null = null;

  /** @param works what is done here; without, it is only put into the queue */
  constructor(
    private readonly source: DataSource,
    private readonly logger: Logger,
    private readonly works: readonly Work<object>[],
  ) {}

  /** Does work from now on. */
  start(): Promise<PgBoss> {
    this.starting ??= this.begin();
    return this.starting;
  }

  /** Puts work at the end. */
  async add(name: string, data: readonly object[]): Promise<void> {
    const boss = await this.start();
    await boss.insert(data.map((one) => ({ name, data: one })));
    for (const worker of this.workers) if (worker.name === name) boss.notifyWorker(worker.id);
  }

  /** Work of a kind will be asked for soon. */
  warm(name: string): void {
    this.works.find((work) => work.name === name)?.warm?.();
  }

  /** Takes no more; what is being done is left to whoever comes next. */
  async stop(): Promise<void> {
    if (this.looking) clearInterval(this.looking);
    const boss = await this.starting?.catch(() => null);
    for (const work of this.works) await work.close();
    await boss?.stop({ graceful: true, wait: true, close: false, timeout: stopMs });
    this.starting = null;
  }

  private async begin(): Promise<PgBoss> {
    const pool = poolOf(this.source);
    const boss = new PgBoss({
      schema: queueSchema,
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
    boss.on('error', (error) => this.logger.warn({ err: error }, 'the queue'));
    await boss.start();
    for (const work of this.works)
      for (let place = 0; place < work.atOnce; place += 1) {
        const id = await boss.work<object>(work.name, { pollingIntervalSeconds: pollS }, async ([job]) => {
          if (job) await work.work(job.data);
        });
        this.workers.push({ name: work.name, id });
      }
    const look = (): void => {
      this.takeUp(boss).catch((error: unknown) => this.logger.warn({ err: error }, 'work that was left'));
    };
    look();
    this.looking = setInterval(look, lookS * 1000);
    this.looking.unref();
    return boss;
  }

  /** What somebody was working on who has died is put in again; what was put in while a clock was ahead need not wait for that time to come. */
  private async takeUp(boss: PgBoss): Promise<void> {
    await this.source.query(
      `UPDATE ${queueSchema}.job SET start_after = now()
        WHERE name = ANY ($1) AND state < 'active' AND start_after > now() + interval '1 minute'`,
      [this.works.map(({ name }) => name)],
    );
    for (const work of this.works) {
      const left = await work.takeUp();
      if (left.length > 0) await boss.insert(left.map((data) => ({ name: work.name, data })));
    }
  }
}
