import { readFile } from 'node:fs/promises';
import { createServer } from 'node:http';
import { createServer as createTlsServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { readConfig } from './config.js';
import { refillColumns } from './jobs/refill-columns.js';
import { loadDemo } from './demo/load-demo.js';
import { makeApp } from './http/app.js';
import { loggedError } from './http/log-error.js';
import { Events } from './events/events.js';
import { makePost } from './mail/post.js';
import { WorkQueue } from './queue/work-queue.js';
import { worksOf } from './queue/works.js';
import { sessionSecret } from './people/session-secret.js';
import { keepHouse } from './personal/keep-house.js';
import { makeDataSource } from './store/data-source.js';
import { alone } from './store/alone.js';
import { makeGroundPool } from './store/ground-pool.js';
import { defaultWorkspaceId } from './store/default-workspace.js';
import { actingFor, fence } from './workspaces/fence.js';
import { migrate, NewerDatabase } from './store/migrate.js';

/** Requests still running when the server is told to stop get this long, ms. */
const graceMs = 8000;

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel, serializers: { err: loggedError } });
const source = makeDataSource(config.databaseUrl);
const ground = makeGroundPool(config.databaseUrl, (error) =>
  logger.warn({ err: error }, 'a connection was lost'),
);

/** Servers that start at once load the demo one after the other. */
const demoLock = 4_780_002;

/** Exit codes: 3 the port, 4 a database of a newer program; with these, starting again would not help. */
const giveUp = (code: number, words: string, error?: unknown): never => {
  logger.fatal(error === undefined ? {} : { err: error }, words);
  process.exit(code);
};

try {
  await migrate(config.migrationUrl, new URL(config.databaseUrl).username);
  await source.initialize();
  fence(source);
  if (config.demo)
    await alone(ground, demoLock, () =>
      actingFor({ workspaceId: defaultWorkspaceId, accountId: null }, () => loadDemo(source)),
    );
} catch (error) {
  if (error instanceof NewerDatabase) giveUp(4, error.message);
  giveUp(1, 'The database cannot be used yet', error);
}

const events = new Events(config.databaseUrl, ground, (error) =>
  logger.warn({ err: error }, 'what servers tell each other'),
);
events.start();
const queue = new WorkQueue(source, logger, config.works ? worksOf(source, logger) : []);
// What was ordered before the server ended is taken up again.
queue.start().catch((error: unknown) => logger.error({ err: error }, 'the queue'));
const stopping = new AbortController();
const app = makeApp({
  source,
  logger,
  webRoot: config.webRoot,
  jobs: config.demo ? 'demo' : 'own',
  requestsPerMinute: config.requestsPerMinute,
  accounts: config.accounts
    ? { secret: await sessionSecret(source), secure: config.tls !== null || config.reach.proxies.length > 0 }
    : null,
  reach: config.reach,
  post: config.mail && makePost(config.mail),
  stopping: stopping.signal,
  queue,
  ground,
  events,
  backups: config.backups,
  metricsToken: config.metricsToken,
  room: config.room,
});
keepHouse(source, logger, stopping.signal);
refillColumns(source).catch((error: unknown) => logger.error({ err: error }, 'the list of jobs'));
const server = config.tls
  ? createTlsServer(
      {
        cert: await readFile(config.tls.cert),
        key: await readFile(config.tls.key),
        minVersion: 'TLSv1.2',
      },
      app,
    )
  : createServer(app);
server.requestTimeout = 30_000;
server.headersTimeout = 10_000;
// Longer than a proxy keeps an idle connection (60 s in nginx): else one may be closed just when the next request goes out on it.
server.keepAliveTimeout = 75_000;

const stop = (signal: string): void => {
  logger.info({ signal, drainS: config.drainS }, 'stopping');
  // Says that it is not ready, and ends streams of open jobs: these would go on for as long as the grace lasts.
  stopping.abort();
  setTimeout(() => {
    setTimeout(() => process.exit(1), graceMs).unref();
    server.close(() => {
      void queue
        .stop()
        .then(() => events.close())
        .then(() => Promise.all([source.destroy(), ground.end()]))
        .finally(() => process.exit(0));
    });
    // Those that answer something now are idle a moment later.
    setInterval(() => server.closeIdleConnections(), 100);
  }, config.drainS * 1000);
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);

server.once('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    giveUp(
      3,
      `Port ${config.port} is in use. Stop the other program, or choose another port: LEVAMEN_PORT=4781 ./levamen start`,
    );
  }
  giveUp(3, 'the server cannot listen', error);
});
server.listen(config.port, config.host, () => {
  const { port } = server.address() as AddressInfo;
  logger.info({ address: `${config.tls ? 'https' : 'http'}://${config.host}:${port}` }, 'ready');
  process.send?.({ ready: true, port });
});
