import { createServer as createHttpServer, type Server } from 'node:http';
import { createServer as createTcpServer, type AddressInfo, type Server as TcpServer } from 'node:net';
import { demoJobs, newJob } from '@levamen/core/job';
import type { FoundSystem, SystemEvent } from '@levamen/core/api';
import { ServerTCP } from 'modbus-serial';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { Gateway } from '../gateway/gateway.js';
import { houseOfJob } from '../gateway/house-of-job.js';
import { httpGateway } from '../gateway/http-gateway.js';
import { modbusGateway } from '../gateway/modbus-gateway.js';
import { freePort } from '../testing/free-port.js';
import { listening } from '../testing/listening.js';
import { openTestApp, type TestApp } from '../testing/test-app.js';
import { checkAllowed, isOwnNetwork } from './allowed-address.js';
import { packSamples, unpackSamples } from './pack-samples.js';

let test: TestApp;
let line: Awaited<ReturnType<typeof listening>>;
const closing: (() => unknown)[] = [];

beforeAll(async () => {
  test = await openTestApp();
  line = await listening(test.app);
  await test.agent
    .put('/api/device-networks')
    .send({ networks: ['127.0.0.1'] })
    .expect(200);
});
afterEach(() => {
  for (const close of closing.splice(0)) close();
});
afterAll(async () => {
  await line.close();
  await test.database.close();
});

const listens = (server: ServerTCP): Promise<void> =>
  new Promise((resolve) => server.on('initialized', () => resolve()));

/** A simulated system on ports of its own. */
async function gateway(pace = 1) {
  const { house, plates } = houseOfJob(demoJobs[0]!.job, 4);
  const simulated = new Gateway(house, plates, pace);
  const port = await freePort();
  const modbus = modbusGateway(simulated, '127.0.0.1', port);
  await listens(modbus);
  const http: Server = httpGateway(simulated).listen(0, '127.0.0.1');
  await new Promise((resolve) => http.once('listening', resolve));
  closing.push(
    () => modbus.close(() => undefined),
    () => http.close(),
  );
  const address = {
    host: '127.0.0.1',
    port,
    units: '1, 10-14, 20, 30',
    httpPort: (http.address() as AddressInfo).port,
  };
  return { house, simulated, address };
}

const made = async (): Promise<string> => {
  const answer = await test.agent
    .post('/api/jobs')
    .send({ document: newJob('Built') })
    .expect(201);
  return (answer.body as { id: string }).id;
};

/** Events of a system until one is what was waited for. */
async function until(
  jobId: string,
  address: { host: string; port: number; units: string; httpPort: number | null },
  isIt: (event: SystemEvent) => boolean,
): Promise<SystemEvent> {
  const query = new URLSearchParams({
    host: address.host,
    port: String(address.port),
    units: address.units,
    httpPort: address.httpPort === null ? '' : String(address.httpPort),
  });
  const leave = new AbortController();
  const answer = await fetch(`${line.url}/api/jobs/${jobId}/system/live?${query.toString()}`, {
    signal: leave.signal,
  });
  expect(answer.status).toBe(200);
  const reader = answer.body!.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) throw new Error('It ended');
      text += value;
      for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
        const said = /^data: (.*)$/m.exec(text.slice(0, end));
        text = text.slice(end + 2);
        const event = said ? (JSON.parse(said[1]!) as SystemEvent) : null;
        if (event && isIt(event)) return event;
      }
    }
  } finally {
    leave.abort();
  }
}

describe('addresses that may be asked', () => {
  it('are numbers of this machine or a house, in a network an owner allowed', () => {
    for (const fine of ['127.0.0.1', '10.0.0.0/8', '192.168.4.0/24', '172.20.0.0/16', '::1', 'fd12::/16'])
      expect(isOwnNetwork(fine), fine).toBe(true);
    for (const foreign of [
      '0.0.0.0/0',
      '8.8.8.8',
      '192.0.0.0/8',
      '172.0.0.0/8',
      '169.254.169.254',
      '::/0',
      '2001:db8::/32',
      '192.168.0.0/8',
    ])
      expect(isOwnNetwork(foreign), foreign).toBe(false);
    const allowed = ['192.168.4.0/24', '127.0.0.1'];
    expect(() => checkAllowed('192.168.4.77', allowed)).not.toThrow();
    for (const host of [
      '192.168.5.1',
      '127.0.0.2',
      '169.254.169.254',
      'localhost',
      'example.org',
      '2130706433',
      '0x7f.1',
    ])
      expect(() => checkAllowed(host, allowed), host).toThrow();
    expect(() => checkAllowed('127.0.0.1', [])).toThrow(/No network is allowed yet/);
  });

  it('are refused by every route, and a network beyond a house is not taken', async () => {
    const jobId = await made();
    const system = { host: '10.1.1.1', port: 502, units: '1', httpPort: null };
    await test.agent.post(`/api/jobs/${jobId}/system/find`).send(system).expect(403);
    await test.agent.post(`/api/jobs/${jobId}/system/recordings`).send({ name: 'x', system }).expect(403);
    await test.agent
      .get(`/api/jobs/${jobId}/system/live?host=10.1.1.1&port=502&units=1&httpPort=`)
      .expect(403);
    await test.agent
      .post(`/api/jobs/${jobId}/system/find`)
      .send({ ...system, host: 'localhost' })
      .expect(400);
    await test.agent
      .put('/api/device-networks')
      .send({ networks: ['8.8.8.0/24'] })
      .expect(422);
    await test.agent
      .put('/api/device-networks')
      .send({ networks: ['a network'] })
      .expect(400);
    expect((await test.agent.get('/api/device-networks')).body).toEqual({ networks: ['127.0.0.1'] });
  });
});

describe('devices of a system', () => {
  it('are found behind their unit ids, and what does not answer is said', async () => {
    const { address } = await gateway();
    const found = (
      await test.agent
        .post(`/api/jobs/${await made()}/system/find`)
        .send(address)
        .expect(200)
    ).body as FoundSystem;
    expect(found.units.map(({ unitId }) => unitId)).toEqual([1, 10, 11, 12, 13, 20, 30]);
    expect(found.units[0]).toMatchObject({ serial: 'INV-0001', models: [1, 701, 704, 713] });
    expect(found.problems).toEqual(['Unit 14: nobody answers there']);
  });

  it('are shown as they are, second by second', async () => {
    const { house, simulated, address } = await gateway();
    const jobId = await made();
    house.switchGrid(false);
    simulated.changed();
    const event = await until(jobId, address, (one) => one.kind === 'now');
    if (event.kind !== 'now') throw new Error('silent');
    const { now } = event;
    expect(now).toMatchObject({ isOnGrid: false, gridV: 0, gridW: 0, clockOffS: 0 });
    expect(now.legV).toHaveLength(2);
    expect(now.legV[0]).toBeGreaterThan(114);
    expect(now.batteryW).toBeGreaterThan(0);
    expect(now.charge).toBeGreaterThan(0.5);
    expect(now.batteries.map(({ serial }) => serial)).toEqual([
      'BAT-0001',
      'BAT-0002',
      'BAT-0003',
      'BAT-0004',
    ]);
    expect(now.gapMs).toBeGreaterThan(0);
  });

  it('say where an address is given twice, the clock is off, and answers are lost', async () => {
    const { house, simulated, address } = await gateway(7);
    house.inject('address-twice', true);
    house.inject('clock-off', true);
    simulated.changed();
    const doubled = await until(
      await made(),
      address,
      (one) => one.kind === 'now' && one.now.doubled.length > 0,
    );
    if (doubled.kind !== 'now') throw new Error('silent');
    expect(doubled.now.doubled).toEqual(['unit 10']);
    expect(doubled.now.batteries).toHaveLength(3);
    expect(doubled.now.clockOffS).toBeLessThan(-10_000);
    house.inject('flaky-network', true);
    const lost = await until(
      await made(),
      { ...address, units: '1', httpPort: null },
      (one) => one.kind === 'now' && one.now.answered !== null,
    );
    if (lost.kind !== 'now') throw new Error('silent');
    expect(lost.now.answered).toBeLessThan(0.9);
  });
});

describe('a recording', () => {
  it('keeps each second, goes on without a window, and ends', async () => {
    const { house, simulated, address } = await gateway();
    const jobId = await made();
    const begun = await test.agent
      .post(`/api/jobs/${jobId}/system/recordings`)
      .send({ name: 'First outage', system: address })
      .expect(201);
    const { id } = begun.body as { id: string };
    await test.agent
      .post(`/api/jobs/${jobId}/system/recordings`)
      .send({ name: 'Second', system: address })
      .expect(409);
    await new Promise((resolve) => setTimeout(resolve, 2500));
    house.switchGrid(false);
    simulated.changed();
    await new Promise((resolve) => setTimeout(resolve, 2500));
    const rowsOf = async (after: number, agent = test.agent) =>
      (
        (await agent.get(`/api/jobs/${jobId}/system/recordings/${id}?after=${after}`).expect(200)).body as {
          rows: (number | null)[][];
        }
      ).rows;
    const rows = await rowsOf(-1);
    expect(rows.length).toBeGreaterThanOrEqual(4);
    expect(rows[0]![6]).toBe(1);
    expect(rows.at(-1)![6]).toBe(0);
    const seconds = rows.map(([second]) => second!);
    expect(seconds).toEqual([...new Set(seconds)].toSorted((a, b) => a - b));
    expect((await rowsOf(seconds.at(-2)!)).length).toBeGreaterThanOrEqual(1);

    await test.agent.post(`/api/jobs/${jobId}/system/recordings/${id}/end`).send({}).expect(204);
    const [listed] = (await test.agent.get(`/api/jobs/${jobId}/system/recordings`)).body as {
      endedAt: string | null;
      samples: number;
    }[];
    expect(listed!.endedAt).not.toBeNull();
    expect(listed!.samples).toBeGreaterThanOrEqual(rows.length);
    await test.agent.post(`/api/jobs/${jobId}/system/recordings/${id}/end`).send({}).expect(204);
  });

  it('is one of all servers: seen and ended through any, and taken over from one that has died', async () => {
    const { address } = await gateway();
    const jobId = await made();
    const other = await test.another();
    const recordings = `/api/jobs/${jobId}/system/recordings`;
    const begin = async (name: string): Promise<string> => {
      const begun = await other.agent.post(recordings).send({ name, system: address }).expect(201);
      return (begun.body as { id: string }).id;
    };
    const samplesOf = async (id: string): Promise<number[]> => {
      const { body } = await test.agent.get(`${recordings}/${id}`).expect(200);
      return (body as { rows: number[][] }).rows.map(([second]) => second!);
    };
    const isOf =
      (id: string) =>
      (event: SystemEvent): boolean =>
        event.kind === 'now' && event.recordingId === id;

    const first = await begin('Ended elsewhere');
    await until(jobId, address, isOf(first));
    await new Promise((resolve) => setTimeout(resolve, 2200));
    // The other server has written nothing yet: it does, before the answer.
    await test.agent.post(`${recordings}/${first}/end`).send({}).expect(204);
    expect((await samplesOf(first)).length).toBeGreaterThanOrEqual(2);

    const second = await begin('Taken over');
    await new Promise((resolve) => setTimeout(resolve, 2200));
    // As a server goes that is killed: the database learns it at once.
    await other.events.close();
    await until(jobId, address, isOf(second));
    await new Promise((resolve) => setTimeout(resolve, 2200));
    await test.agent.post(`${recordings}/${second}/end`).send({}).expect(204);
    const seconds = await samplesOf(second);
    expect(seconds.length).toBeGreaterThanOrEqual(2);
    expect(seconds).toEqual([...new Set(seconds)].toSorted((a, b) => a - b));
    await other.close();
  });

  it('is one at a time, though several begin one in the same moment', async () => {
    const { address } = await gateway();
    const jobId = await made();
    const begin = (name: string) =>
      test.agent.post(`/api/jobs/${jobId}/system/recordings`).send({ name, system: address });
    const answers = await Promise.all(['one', 'two', 'three', 'four', 'five'].map(begin));
    expect(answers.map(({ status }) => status).toSorted()).toEqual([201, 409, 409, 409, 409]);
    const { id } = answers.find(({ status }) => status === 201)!.body as { id: string };
    await test.agent.post(`/api/jobs/${jobId}/system/recordings/${id}/end`).send({}).expect(204);
  });

  it('goes with its job', async () => {
    const { address } = await gateway();
    const jobId = await made();
    const begun = await test.agent
      .post(`/api/jobs/${jobId}/system/recordings`)
      .send({ name: 'x', system: address })
      .expect(201);
    await new Promise((resolve) => setTimeout(resolve, 1200));
    await test.agent
      .post(`/api/jobs/${jobId}/system/recordings/${(begun.body as { id: string }).id}/end`)
      .send({})
      .expect(204);
    await test.agent.delete(`/api/jobs/${jobId}`).expect(204);
    await test.agent.delete(`/api/jobs/${jobId}/purge`).expect(204);
    const [left] = await test.database.source.query<{ count: string }[]>(
      'SELECT count(*) FROM recording WHERE job_id = $1',
      [jobId],
    );
    expect(left!.count).toBe('0');
  });

  it('is packed without loss of what matters, marks for nothing too', async () => {
    const rows = [
      [0, 230.1, 230, null, null, 50.002, 1, -1200.25, 0, 900, 0.97, null],
      [1, 0, 229.9, null, null, 51.5, 0, 1e6, -1e6, null, 0, 2500],
    ];
    expect(await unpackSamples(await packSamples(rows))).toEqual(rows);
    await expect(unpackSamples(Buffer.from('no'))).rejects.toThrow();
  });
});

/** A server that answers whatever it is asked with the same bytes, or not at all. */
async function stranger(answer: Buffer | null): Promise<number> {
  const server: TcpServer = createTcpServer((socket) => {
    socket.on('error', () => undefined);
    socket.on('data', () => {
      if (answer) socket.write(answer);
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  closing.push(() => server.close());
  return (server.address() as AddressInfo).port;
}

/** A device whose registers are what a function says. */
async function deviceOf(registerAt: (address: number) => number): Promise<number> {
  const port = await freePort();
  const server = new ServerTCP(
    {
      getHoldingRegister: (
        address: number,
        _unit: number,
        tell: (error: Error | null, value: number) => void,
      ) => tell(null, registerAt(address)),
      getMultipleHoldingRegisters: (
        address: number,
        count: number,
        _unit: number,
        tell: (error: Error | null, values: number[]) => void,
      ) =>
        tell(
          null,
          Array.from({ length: count }, (_, place) => registerAt(address + place)),
        ),
    },
    { host: '127.0.0.1', port, unitID: 255 },
  );
  await listens(server);
  closing.push(() => server.close(() => undefined));
  return port;
}

describe('devices that answer nonsense', () => {
  const find = async (port: number) =>
    test.agent
      .post(`/api/jobs/${await made()}/system/find`)
      .send({ host: '127.0.0.1', port, units: '1', httpPort: null });

  it('are told in words: nobody there, no answer, another protocol', async () => {
    const nobody = await find(1);
    expect([nobody.status, (nobody.body as { detail: string }).detail]).toEqual([
      502,
      '127.0.0.1 refuses port 1: is Modbus TCP switched on there?',
    ]);
    for (const answer of [null, Buffer.from('HTTP/1.1 400 Bad Request\r\n\r\n'), Buffer.alloc(300, 0xff)]) {
      const { status, body } = await find(await stranger(answer));
      // Either nothing is found, with a word for each unit, or nobody answers.
      expect([200, 502]).toContain(status);
      if (status === 200) expect((body as FoundSystem).problems.length).toBeGreaterThan(0);
    }
  });

  it('are told in words: a chain without an end, ten thousand registers, no marker', async () => {
    const chains: readonly (readonly [(address: number) => number, RegExp])[] = [
      [(address) => [0x5375, 0x6e53][address - 40_000] ?? 1, /do not end/],
      [
        (address) =>
          address === 40_000 ? 0x5375 : address === 40_001 ? 0x6e53 : address === 40_002 ? 701 : 10_000,
        /do not end/,
      ],
      [() => 7, /No marker/],
    ];
    for (const [registerAt, words] of chains) {
      const { body } = await find(await deviceOf(registerAt));
      expect((body as FoundSystem).problems.join()).toMatch(words);
    }
  });

  it('are nothing where they mark nothing, and where a scale cannot be', async () => {
    // A meter of which every value is "not implemented", then one whose scales are 30.
    for (const [fill, scale] of [
      [0x8000, 0x8000],
      [1234, 30],
    ] as const) {
      const port = await deviceOf((address) => {
        const place = address - 40_000;
        if (place < 4) return [0x5375, 0x6e53, 201, 105][place]!;
        if (place === 109) return 0xffff;
        if (place === 110) return 0;
        // Scales of model 201 (recalled): A, V, Hz, W.
        return [8, 17, 19, 24].includes(place) ? scale : fill;
      });
      const event = await until(
        await made(),
        { host: '127.0.0.1', port, units: '1', httpPort: null },
        (one) => one.kind === 'now',
      );
      if (event.kind !== 'now') throw new Error('silent');
      expect([event.now.gridW, event.now.gridV]).toEqual([null, null]);
    }
  });

  it('are asked again after they were silent', async () => {
    const { address } = await gateway();
    const jobId = await made();
    const silent = await until(jobId, { ...address, port: 1 }, (one) => one.kind === 'silent');
    expect(silent).toMatchObject({ kind: 'silent', againInS: 1 });
  });
});

describe('outages a system remembers', () => {
  const ask = (jobId: string, system: object) =>
    test.agent.post(`/api/jobs/${jobId}/system/outages`).send(system);
  const recordingsOf = async (jobId: string) =>
    (await test.agent.get(`/api/jobs/${jobId}/system/recordings`).expect(200)).body as {
      name: string;
      samples: number;
    }[];

  it('become recordings, each once', async () => {
    const { house, simulated, address } = await gateway(3600);
    const jobId = await made();
    const waits = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
    await waits(300);
    simulated.now();
    house.switchGrid(false);
    simulated.changed();
    await waits(1500);
    simulated.now();
    house.switchGrid(true);
    simulated.changed();
    await waits(700);
    const first = await ask(jobId, address).expect(200);
    expect(first.body).toMatchObject({ known: 0, problems: [] });
    expect((first.body as { taken: unknown[] }).taken).toHaveLength(1);
    const again = await ask(jobId, address).expect(200);
    expect(again.body).toEqual({ taken: [], known: 1, problems: [] });
    const [recording] = await recordingsOf(jobId);
    expect(recording!.name).toMatch(/^Outage of \d{4}-/);
    expect(recording!.samples).toBeGreaterThan(60);
  });

  /** A system that says whatever it is told to. */
  const saying = async (text: string, status = 200) => {
    const server = createHttpServer((_request, response) => {
      response.writeHead(status, { 'content-type': 'application/json' }).end(text);
    }).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    closing.push(() => server.close());
    return { host: '127.0.0.1', port: 1, units: '1', httpPort: (server.address() as AddressInfo).port };
  };
  const row = (second: number) => [second, 500];
  const outage = {
    from: '2026-02-11T20:00:00Z',
    isOver: true,
    columns: ['second', 'batteryW', 'mood'],
    rows: [0, 10, 20].map(row),
  };

  it('are taken without what is wrong with them, and that is said', async () => {
    const jobId = await made();
    const system = await saying(
      JSON.stringify([
        outage,
        { ...outage, from: '1970-01-01T00:12:00Z' },
        { ...outage, from: '2026-03-11T20:00:00Z', rows: [10, 0].map(row) },
        { ...outage, from: '2026-04-11T20:00:00Z', isOver: false },
      ]),
    );
    const { body } = await ask(jobId, system).expect(200);
    expect(body).toMatchObject({ taken: [{ samples: 3 }], known: 0 });
    expect((body as { problems: string[] }).problems).toEqual([
      'One of 1970-01-01 was left out: the clock of the system was not set.',
      expect.stringContaining('in the order of their seconds'),
    ]);
  });

  it.each([
    ['nonsense', 'cannot be understood', JSON.stringify({ outages: 'none' }), 200],
    ['no JSON', 'The system was asked for its outages', '<html>', 200],
    ['an error', 'It answers 500', '{}', 500],
    [
      'too many rows',
      'cannot be understood',
      JSON.stringify([{ ...outage, rows: Array.from({ length: 20_001 }, (_, index) => row(index)) }]),
      200,
    ],
  ])('are refused in words where it says %s', async (_what, words, text, status) => {
    const { body } = await ask(await made(), await saying(text, status)).expect(502);
    expect(JSON.stringify(body)).toContain(words);
  });

  it('are not asked for elsewhere than allowed, nor without a port', async () => {
    const jobId = await made();
    const system = { host: '10.1.2.3', port: 502, units: '1', httpPort: 80 };
    await ask(jobId, system).expect(403);
    const { body } = await ask(jobId, { ...system, host: '127.0.0.1', httpPort: null }).expect(502);
    expect(JSON.stringify(body)).toContain('enter its port');
  });
});
