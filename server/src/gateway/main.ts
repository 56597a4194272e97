import { readFileSync } from 'node:fs';
import { demoJobs, type Job, readJob } from '@levamen/core/job';
import { Gateway } from './gateway.js';
import { houseOfJob } from './house-of-job.js';
import { httpGateway } from './http-gateway.js';
import { modbusGateway } from './modbus-gateway.js';

// ./levamen gateway [FILE]: the house of a job, or of the first demo job, as a simulated system on this machine only.
const host = '127.0.0.1';

function numberOf(name: string, usual: number, least: number, most: number): number {
  const said = process.env[name];
  const value = said === undefined || said === '' ? usual : Number(said);
  if (!Number.isFinite(value) || value < least || value > most)
    throw new Error(`${name}="${said ?? ''}" is no number from ${least} to ${most}`);
  return value;
}

function jobOf(file: string | undefined): Job {
  if (file === undefined) return demoJobs[0]!.job;
  const read = readJob(JSON.parse(readFileSync(file, 'utf8')));
  if (!read.ok) throw new Error(`${file} is no job: ${read.problems[0]?.message ?? 'it cannot be read'}`);
  return read.job;
}

try {
  const modbusPort = numberOf('LEVAMEN_GATEWAY_MODBUS', 1502, 1, 65_535);
  const httpPort = numberOf('LEVAMEN_GATEWAY_HTTP', 1580, 1, 65_535);
  const times = numberOf('LEVAMEN_GATEWAY_PACE', 1, 1, 3600);
  const seed = numberOf('LEVAMEN_GATEWAY_SEED', 1, 0, 2 ** 31);
  const job = jobOf(process.argv[2]);
  const { house, plates } = houseOfJob(job, seed);
  const gateway = new Gateway(house, plates, times);
  const modbus = modbusGateway(gateway, host, modbusPort);
  const http = httpGateway(gateway).listen(httpPort, host, () => {
    process.stdout.write(
      `"${job.name}", simulated. Modbus TCP: ${host}:${modbusPort}   HTTP: http://${host}:${httpPort}/\n`,
    );
  });
  const failed = (error: Error | null | undefined): void => {
    if (!error) return;
    process.stderr.write(`The gateway cannot run: ${error.message}\n`);
    process.exit(3);
  };
  http.on('error', failed);
  modbus.on('serverError', failed);
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      http.close();
      modbus.close(() => process.exit(0));
    });
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exit(2);
}
