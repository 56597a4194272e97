import type { RequestHandler } from 'express';
import type pg from 'pg';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { DataSource } from 'typeorm';
import { poolOf } from '../store/pool-of.js';
import { routeLabel } from './route-label.js';

interface Parts {
  readonly source: DataSource;
  /** Connections that act for nobody. */
  readonly ground: pg.Pool;
}

/** Longer than this, and somebody waits: a bound of the wanted 50 ms among them, s. */
const bucketsS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10];

export interface Metrics {
  /** Measures every request that passes. */
  readonly measured: RequestHandler;
  /** Answers with what was measured, in the text format of Prometheus. */
  readonly shown: RequestHandler;
}

/** What is measured of this server, for whoever watches over it. */
export function makeMetrics({ source, ground }: Parts): Metrics {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry });

  const duration = new Histogram({
    name: 'levamen_request_duration_seconds',
    help: 'How long requests took to be answered, streams apart',
    labelNames: ['method', 'route', 'status'],
    buckets: bucketsS,
    registers,
  });
  const saves = new Counter({
    name: 'levamen_saves_total',
    help: 'Saves of jobs, by what came of them',
    labelNames: ['outcome'],
    registers,
  });
  new Gauge({
    name: 'levamen_database_connections',
    help: 'Connections to the database',
    labelNames: ['pool', 'state'],
    registers,
    collect() {
      for (const [name, pool] of Object.entries({ jobs: poolOf(source), ground })) {
        this.set({ pool: name, state: 'open' }, pool.totalCount);
        this.set({ pool: name, state: 'idle' }, pool.idleCount);
        this.set({ pool: name, state: 'waited for' }, pool.waitingCount);
      }
    },
  });
  new Gauge({
    name: 'levamen_work_waiting',
    help: 'Work that waits in the queue of the database, by kind',
    labelNames: ['kind'],
    registers,
    async collect() {
      const { rows } = await ground.query<{ name: string; waiting: number }>(
        `SELECT q.name, count(j.id)::int AS waiting FROM pgboss.queue q
           LEFT JOIN pgboss.job j ON j.name = q.name AND j.state IN ('created', 'retry')
          GROUP BY q.name`,
      );
      for (const { name, waiting } of rows) this.set({ kind: name }, waiting);
    },
  });
  new Gauge({
    name: 'levamen_backup_age_seconds',
    help: 'How old the last good backup is; nothing where there is none',
    registers,
    async collect() {
      const { rows } = await ground.query<{ age_s: number }>(
        'SELECT extract(epoch FROM now() - at)::float AS age_s FROM backup_run WHERE is_good ORDER BY id DESC LIMIT 1',
      );
      if (rows[0]) this.set(rows[0].age_s);
    },
  });

  const measured: RequestHandler = (request, response, next) => {
    const began = process.hrtime.bigint();
    response.once('close', () => {
      if (response.getHeader('Content-Type') === 'text/event-stream') return;
      const { method } = request;
      const route = routeLabel(request);
      const status = String(response.statusCode);
      duration.observe({ method, route, status }, Number(process.hrtime.bigint() - began) / 1e9);
      if (method === 'PUT' && route === '/api/jobs/:id') saves.inc({ outcome: status });
    });
    next();
  };

  const shown: RequestHandler = async (_request, response) => {
    response.set('Content-Type', registry.contentType).send(await registry.metrics());
  };
  return { measured, shown };
}
