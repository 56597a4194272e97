import { pino } from 'pino';
import { readWorkConfig } from '../config.js';
import { loggedError } from '../http/log-error.js';
import { WorkQueue } from '../queue/work-queue.js';
import { worksOf } from '../queue/works.js';
import { makeDataSource } from '../store/data-source.js';
import { migrate } from '../store/migrate.js';
import { fence } from '../workspaces/fence.js';

// Takes heavy work from the queue of a database, on whichever machine, until it is told to stop.
const config = readWorkConfig(process.env);
const logger = pino({ name: 'work', level: config.logLevel, serializers: { err: loggedError } });
await migrate(config.migrationUrl, new URL(config.databaseUrl).username);
const source = await makeDataSource(config.databaseUrl).initialize();
fence(source);
const queue = new WorkQueue(source, logger, worksOf(source, logger));
await queue.start();
process.stdout.write('Taking work from the queue. Ctrl-C stops it.\n');

const stop = (): void => {
  void queue
    .stop()
    .then(() => source.destroy())
    .finally(() => process.exit(0));
};
process.once('SIGTERM', stop);
process.once('SIGINT', stop);
