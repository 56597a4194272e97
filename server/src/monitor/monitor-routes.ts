import { pipeline } from 'node:stream/promises';
import { simulatedChannels, simulatedMean, simulatedSample } from '@levamen/core/house/details';
import type { LiveSample } from '@levamen/core/api';
import { Router, type Response } from 'express';
import * as z from 'zod';
import { parseBody } from '../http/parse-body.js';
import { HttpProblem, notFound } from '../http/problem.js';
import type { MonitorSwitches } from './monitor-switches.js';

/** The clock of the simulated house from UTC, s. */
const offsetS = -4 * 3600;
const maxRows = 600_000;
/** Rows written before the rest of the server gets its turn. */
const rowsAtATime = 500;

const seedSchema = z.coerce.number().int().min(0).max(1_000_000);
const historySchema = z.object({
  fromS: z.coerce.number().int().min(0),
  toS: z.coerce.number().int().min(1),
  intervalS: z.coerce.number().int().min(1).max(86_400).default(900),
});
const switchSchema = z.strictObject({
  channel: z.enum(simulatedChannels as [string, ...string[]], { error: 'Name a channel of this monitor' }),
  on: z.boolean({ error: 'Say true or false' }),
});

/**
 * A circuit monitor that is not there: a house of 32 channels, live and as history, the same for the same seed. Under
 * /api/monitor/:seed.
 */
export function monitorRoutes(
  switches: MonitorSwitches,
  now: () => number = () => Date.now() / 1000,
): Router {
  const router = Router();

  const seedOf = (text: unknown): number => {
    const seed = seedSchema.safeParse(text);
    if (!seed.success) throw notFound('monitor');
    return seed.data;
  };
  const live = async (seed: number): Promise<LiveSample> => {
    const atS = Math.floor(now() * 4) / 4;
    const { powerW, peakW } = simulatedSample(seed, atS, offsetS, await switches.of(seed));
    return {
      atS,
      channels: simulatedChannels.map((name, c) => ({
        name,
        powerW: Math.round(powerW[c]! * 10) / 10,
        peakW: Math.round(peakW[c]! * 10) / 10,
      })),
    };
  };
  const historyOf = (query: unknown): z.infer<typeof historySchema> & { rows: number } => {
    const asked = parseBody(historySchema, query);
    const rows = Math.ceil((asked.toS - asked.fromS) / asked.intervalS);
    if (rows < 1 || rows > maxRows) {
      throw new HttpProblem(
        422,
        'Too much or nothing',
        `Ask for 1 to ${maxRows} intervals; this would be ${rows}.`,
      );
    }
    return { ...asked, rows };
  };
  const rowAt = (seed: number, fromS: number, intervalS: number): number[] =>
    Array.from(
      simulatedMean(seed, fromS, intervalS, offsetS, intervalS > 60 ? 180 : 60),
      (w) => Math.round(w * 10) / 10,
    );

  /** Writes row after row, as fast as the reader takes them; a reader who leaves ends it. */
  const stream = (
    response: Response,
    head: string,
    rows: number,
    text: (row: number) => string,
  ): Promise<void> => {
    async function* parts(): AsyncGenerator<string> {
      yield head;
      for (let row = 0; row < rows; row += rowsAtATime) {
        let part = '';
        for (let i = row; i < Math.min(rows, row + rowsAtATime); i += 1) part += text(i);
        yield part;
        await new Promise((resume) => setImmediate(resume));
      }
    }
    return pipeline(parts, response).catch((error: unknown) => {
      if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
    });
  };

  router.get('/:seed/live.json', async (request, response) => {
    response.json(await live(seedOf(request.params.seed)));
  });

  router.get('/:seed/live.csv', async (request, response) => {
    const { atS, channels } = await live(seedOf(request.params.seed));
    const head = ['time', ...channels.map(({ name }) => `${name} [W]`)].join(',');
    const row = [new Date(atS * 1000).toISOString(), ...channels.map(({ powerW }) => powerW)].join(',');
    response.type('text/csv').send(`${head}\r\n${row}\r\n`);
  });

  router.get('/:seed/history.csv', async (request, response) => {
    const seed = seedOf(request.params.seed);
    const { fromS, intervalS, rows } = historyOf(request.query);
    response.type('text/csv');
    const head = `${['time', ...simulatedChannels.map((name) => `${name} [W]`)].join(',')}\r\n`;
    await stream(response, head, rows, (row) => {
      const atS = fromS + row * intervalS;
      return `${new Date(atS * 1000).toISOString()},${rowAt(seed, atS, intervalS).join(',')}\r\n`;
    });
  });

  router.get('/:seed/history.json', async (request, response) => {
    const seed = seedOf(request.params.seed);
    const { fromS, intervalS, rows } = historyOf(request.query);
    response.type('application/json');
    const head = `{"fromS":${fromS},"intervalS":${intervalS},"channels":${JSON.stringify(simulatedChannels)},"powerW":[`;
    await stream(response, head, rows + 1, (row) =>
      row === rows
        ? ']}'
        : `${row === 0 ? '' : ','}${JSON.stringify(rowAt(seed, fromS + row * intervalS, intervalS))}`,
    );
  });

  router.put('/:seed/switch', async (request, response) => {
    const seed = seedOf(request.params.seed);
    const { channel, on } = parseBody(switchSchema, request.body);
    await switches.set(seed, channel, on ? Math.ceil(now()) : null);
    response.status(204).end();
  });

  return router;
}
