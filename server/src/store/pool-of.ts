import type pg from 'pg';
import type { DataSource } from 'typeorm';

/** The pool of connections of an open data source, which TypeORM keeps to itself. */
export const poolOf = ({ driver }: DataSource): pg.Pool => (driver as unknown as { master: pg.Pool }).master;
