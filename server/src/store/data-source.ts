import { DataSource } from 'typeorm';
import { entities } from './entities.js';
import { Jobs1795000000000 } from './migrations/1-jobs.js';
import { Readings1795600000000 } from './migrations/2-readings.js';
import { Weather1796200000000 } from './migrations/3-weather.js';

/** A data source that is not connected yet. Migrations run explicitly, never by synchronising. */
export function makeDataSource(databaseUrl: string): DataSource {
  return new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities,
    migrations: [Jobs1795000000000, Readings1795600000000, Weather1796200000000],
    migrationsTableName: 'migration',
    synchronize: false,
    uuidExtension: 'pgcrypto',
    installExtensions: false,
    poolSize: 10,
    extra: { connectionTimeoutMillis: 5000, statement_timeout: 15_000 },
  });
}
