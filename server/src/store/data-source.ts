import { DataSource, type DataSourceOptions } from 'typeorm';
import { entities } from './entities.js';
import { Jobs1795000000000 } from './migrations/1-jobs.js';
import { Readings1795600000000 } from './migrations/2-readings.js';
import { Weather1796200000000 } from './migrations/3-weather.js';
import { Ground1796800000000 } from './migrations/4-ground.js';
import { Photos1797400000000 } from './migrations/5-photos.js';
import { Equipment1797500000000 } from './migrations/6-equipment.js';
import { CompanyRules1798100000000 } from './migrations/7-company-rules.js';
import { People1798700000000 } from './migrations/8-people.js';
import { PersonalData1798800000000 } from './migrations/9-personal-data.js';
import { Papers1799400000000 } from './migrations/10-papers.js';
import { Devices1800000000000 } from './migrations/11-devices.js';
import { Training1810000000000 } from './migrations/12-training.js';
import { Logbook1820000000000 } from './migrations/13-logbook.js';
import { Backups1830000000000 } from './migrations/14-backups.js';
import { States1840000000000 } from './migrations/15-states.js';
import { Servers1850000000000 } from './migrations/16-servers.js';
import { Houses1860000000000 } from './migrations/17-houses.js';
import { Read1870000000000 } from './migrations/18-read.js';
import { Clocks1880000000000 } from './migrations/19-clocks.js';

/** Every migration, in order. */
export const migrations = [
  Jobs1795000000000,
  Readings1795600000000,
  Weather1796200000000,
  Ground1796800000000,
  Photos1797400000000,
  Equipment1797500000000,
  CompanyRules1798100000000,
  People1798700000000,
  PersonalData1798800000000,
  Papers1799400000000,
  Devices1800000000000,
  Training1810000000000,
  Logbook1820000000000,
  Backups1830000000000,
  States1840000000000,
  Servers1850000000000,
  Houses1860000000000,
  Read1870000000000,
  Clocks1880000000000,
] as const;

interface Options {
  readonly poolSize?: number;
  readonly statementTimeoutMs?: number;
  /** Others than the present ones, for tests of what came before. */
  readonly migrations?: NonNullable<DataSourceOptions['migrations']>;
  readonly entities?: NonNullable<DataSourceOptions['entities']>;
}

/** A data source that is not connected yet. Migrations run explicitly, never by synchronising. */
export function makeDataSource(
  databaseUrl: string,
  { poolSize = 10, statementTimeoutMs = 15_000, ...others }: Options = {},
): DataSource {
  return new DataSource({
    type: 'postgres',
    url: databaseUrl,
    entities,
    migrations: [...migrations],
    ...others,
    migrationsTableName: 'migration',
    synchronize: false,
    uuidExtension: 'pgcrypto',
    installExtensions: false,
    poolSize,
    extra: { connectionTimeoutMillis: 5000, statement_timeout: statementTimeoutMs },
  });
}
