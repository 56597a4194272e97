import { randomUUID } from 'node:crypto';
import pgListen, { type Subscriber } from 'pg-listen';
import type pg from 'pg';
import { type ServerEvent, serverEventSchema } from './server-event.schema.js';

const channel = 'levamen';
/** A line to the database that was lost is asked for again after so long, ms. */
const againMs = 500;
/** A line that nothing is heard on is tried so often, ms. */
const triedMs = 10_000;
/** Said in one statement at most. */
const mostAtOnce = 1000;

const named = 'levamen server';

/**
 * Is the server of that id connected to the database? It is gone the moment its process has died.
 *
 * @param column of the statement it is put into, holds the id
 */
export const isConnected = (column: string): string =>
  `EXISTS (SELECT FROM pg_stat_activity a WHERE a.application_name = '${named} ' || ${column})`;

type Channels = Record<typeof channel, unknown>;

/**
 * What servers of one database tell each other, over the database itself (LISTEN and NOTIFY). What is said while a line is lost is not heard:
 * whoever listens is told when the line is there again, and looks for himself.
 */
export class Events {
  /** This server, among those of the database. */
  readonly serverId = randomUUID();
  private readonly line: Subscriber<Channels>;
  private readonly hearers = new Set<(event: ServerEvent) => void>();
  private readonly resumers = new Set<() => void>();
  private starting: Promise<void> | null = null;
  private isOpen = false;
  /** What is to be said next. */
  private readonly waiting: string[] = [];
  private isSaying = false;

  /** @param failed something went wrong with the line; it is asked for again by itself */
  constructor(
    databaseUrl: string,
    private readonly pool: pg.Pool,
    private readonly failed: (error: unknown) => void,
  ) {
    this.line = pgListen.default<Channels>(
      { connectionString: databaseUrl, application_name: `${named} ${this.serverId}` },
      {
        retryInterval: againMs,
        retryLimit: Number.POSITIVE_INFINITY,
        retryTimeout: Number.POSITIVE_INFINITY,
        paranoidChecking: triedMs,
      },
    );
    this.line.events.on('error', (error) => {
      this.isOpen = false;
      this.failed(error);
    });
    this.line.events.on('reconnect', () => (this.isOpen = false));
    this.line.events.on('connected', () => {
      // Channels it knows are listened to again by itself.
      Promise.resolve(this.line.listenTo(channel)).then(() => {
        this.isOpen = true;
        for (const resumed of this.resumers) resumed();
      }, this.failed);
    });
    this.line.notifications.on(channel, (payload) => {
      const read = serverEventSchema.safeParse(payload);
      // A server of another version may say what this one does not know.
      if (read.success) for (const hear of this.hearers) hear(read.data);
    });
  }

  /** Listens from now on; a database that is away is asked again and again. */
  start(): void {
    this.starting ??= this.line.connect().catch(this.failed);
  }

  /** Is what others say heard now? */
  get isListening(): boolean {
    return this.isOpen;
  }

  /** Whoever hears does so for as long as the server lives. */
  onEvent(hear: (event: ServerEvent) => void): void {
    this.hearers.add(hear);
  }

  /** Others are heard from now on; what was said before may have been missed. */
  onResumed(resumed: () => void): void {
    this.resumers.add(resumed);
  }

  /** Tells every server, this one among them. It is not waited for: who misses it learns it a little later. */
  say(event: ServerEvent): void {
    this.waiting.push(JSON.stringify(event));
    if (!this.isSaying) void this.sayWaiting();
  }

  /** The database lets one speak at a time: what comes up meanwhile is said together, and none of it is waited for until it is on the disk. */
  private async sayWaiting(): Promise<void> {
    this.isSaying = true;
    while (this.waiting.length > 0) {
      const said = this.waiting.splice(0, mostAtOnce);
      await this.pool
        .query(
          "SELECT set_config('synchronous_commit', 'off', true), pg_notify($1, said) FROM unnest($2::text[]) AS said",
          [channel, said],
        )
        .catch(this.failed);
    }
    this.isSaying = false;
  }

  async close(): Promise<void> {
    await this.starting;
    await this.line.close().catch(() => undefined);
  }
}
