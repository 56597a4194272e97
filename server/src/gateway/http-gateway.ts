import { simulatedFaultNames, simulatedFaults } from '@levamen/core/simulator';
import express, { type Express, type Response } from 'express';
import * as z from 'zod';
import type { Gateway } from './gateway.js';
import { unitIds } from './house-registers.js';

const switchesSchema = z.strictObject({
  grid: z.boolean().optional(),
  main: z.boolean().optional(),
  /** Starts an inverter again that has tripped too often. */
  reset: z.literal(true).optional(),
  /** By the id of the load: closed or not. */
  loads: z.record(z.string().max(64), z.boolean()).optional(),
});
const faultsSchema = z.partialRecord(z.enum(simulatedFaultNames), z.boolean());
const paceSchema = z.strictObject({ times: z.number().min(1).max(3600) });

const description = {
  what: 'A simulated battery system. Nothing here switches anything real.',
  read: {
    '/now': 'what the instruments show: W, V, Hz, charge as a share',
    '/loads': 'loads of the house, and whether what feeds them is closed',
    '/faults': 'what can be broken',
    '/outages': 'the last outages it remembers, each with its readings',
    modbus: {
      what: 'Modbus TCP, SunSpec models from register 40000 on',
      units: {
        [unitIds.inverter]: 'battery inverter: models 1, 701, 704, 713',
        [unitIds.firstBattery]: 'batteries, one id each from here on: models 1, 802',
        [unitIds.meter]: 'meter at the service: models 1, 201 to 203',
        [unitIds.solar]: 'solar inverter: models 1, 101 to 103',
      },
    },
  },
  write: {
    '/switches':
      '{"grid": false} takes the grid away; {"main": false}; {"loads": {"ID": false}}; {"reset": true}',
    '/faults': '{"sensor-reversed": true}',
    '/pace': '{"times": 60}: a minute passes in a second',
  },
};

/** Switches, faults and instruments of a gateway over HTTP, as JSON. */
export function httpGateway(gateway: Gateway): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use((request, _response, next) => {
    // What is read may get lost on the way; what somebody switches is switched.
    if (request.method === 'GET' && request.path === '/now' && gateway.drops()) request.socket.destroy();
    else next();
  });
  app.use(express.json({ limit: '20kb' }));
  const state = (response: Response): void => {
    response.json({ at: gateway.shownAt().toISOString(), pace: gateway.pace, ...gateway.now() });
  };
  app.get('/', (_request, response) => {
    response.json(description);
  });
  app.get('/now', (_request, response) => {
    state(response);
  });
  app.get('/loads', (_request, response) => {
    response.json(gateway.house.loads());
  });
  app.get('/outages', (_request, response) => {
    gateway.now();
    response.json(gateway.log.kept());
  });
  app.get('/faults', (_request, response) => {
    response.json(
      simulatedFaultNames.map((id) => ({
        id,
        what: simulatedFaults[id],
        isThere: gateway.house.faults.has(id),
      })),
    );
  });
  app.post('/switches', (request, response) => {
    const read = switchesSchema.safeParse(request.body);
    if (!read.success) return refuse(response, read.error);
    const { grid, main, loads, reset } = read.data;
    const known = new Set(gateway.house.loads().map(({ id }) => id));
    const unknown = Object.keys(loads ?? {}).find((id) => !known.has(id));
    if (unknown !== undefined) {
      response.status(422).json({ detail: `There is no load "${unknown}"; /loads lists them` });
      return;
    }
    gateway.now();
    if (grid !== undefined) gateway.house.switchGrid(grid);
    if (main !== undefined) gateway.house.switchMain(main);
    for (const [id, isClosed] of Object.entries(loads ?? {})) gateway.house.switchLoad(id, isClosed);
    if (reset) gateway.house.reset();
    gateway.changed();
    state(response);
  });
  app.post('/faults', (request, response) => {
    const read = faultsSchema.safeParse(request.body);
    if (!read.success) return refuse(response, read.error);
    gateway.now();
    for (const id of simulatedFaultNames) {
      const isThere = read.data[id];
      if (isThere !== undefined) gateway.house.inject(id, isThere);
    }
    gateway.changed();
    state(response);
  });
  app.post('/pace', (request, response) => {
    const read = paceSchema.safeParse(request.body);
    if (!read.success) return refuse(response, read.error);
    gateway.setPace(read.data.times);
    state(response);
  });
  app.use((_request, response) => {
    response.status(404).json({ detail: 'There is nothing here; / says what there is' });
  });
  app.use((error: unknown, _request: express.Request, response: Response, _next: express.NextFunction) => {
    const status = (error as { status?: unknown }).status;
    response
      .status(typeof status === 'number' ? status : 500)
      .json({ detail: status === 400 ? 'This is no JSON' : 'That cannot be taken' });
  });
  return app;
}

function refuse(response: Response, error: z.ZodError): void {
  const [issue] = error.issues;
  response.status(422).json({ detail: `${issue?.path.join('.') ?? ''}: ${issue?.message ?? 'invalid'}` });
}
