import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { HousesWork } from '../houses/houses-work.js';
import { PaperWork } from '../papers/paper-work.js';
import type { Work } from './work.js';

/** Every kind of heavy work there is. */
export const worksOf = (source: DataSource, logger: Logger): readonly Work<object>[] => [
  new PaperWork(source, logger),
  new HousesWork(source, logger),
];
