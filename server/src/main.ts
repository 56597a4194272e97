import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { readConfig } from './config.js';
import { loadDemo } from './demo/load-demo.js';
import { makeApp } from './http/app.js';
import { makeDataSource } from './store/data-source.js';

/** Requests still running when the server is told to stop get this long, ms. */
const graceMs = 8000;

const config = readConfig(process.env);
const logger = pino({ level: config.logLevel });
const source = makeDataSource(config.databaseUrl);
await source.initialize();
await source.runMigrations({ transaction: 'all' });
if (config.demo) await loadDemo(source);

const server = createServer(makeApp({ source, logger, webRoot: config.webRoot }));
server.requestTimeout = 30_000;
server.headersTimeout = 10_000;

const stop = (signal: string): void => {
  logger.info({ signal }, 'stopping');
  const forced = setTimeout(() => process.exit(1), graceMs);
  forced.unref();
  server.close(() => {
    void source.destroy().then(() => process.exit(0));
  });
  server.closeIdleConnections();
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);

server.once('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE') {
    logger.fatal(
      `Port ${config.port} is in use. Stop the other program, or choose another port: LEVAMEN_PORT=4781 ./levamen start`,
    );
  } else logger.fatal({ err: error }, 'the server cannot listen');
  process.exit(3);
});
server.listen(config.port, config.host, () => {
  const { port } = server.address() as AddressInfo;
  logger.info({ address: `http://${config.host}:${port}` }, 'ready');
  process.send?.({ ready: true, port });
});
