import { readFile } from 'node:fs/promises';
import { spawn } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

/** The process id of the server under test is in this file; scripts/test.sh writes it. */
const pidFile = process.env['LEVAMEN_E2E_PID_FILE'] ?? '';
const url = process.env['LEVAMEN_E2E_URL'] ?? '';

/** Ends the server under test as a power cut would. */
export async function killServer(): Promise<void> {
  process.kill(Number(await readFile(pidFile, 'utf8')), 'SIGKILL');
  await until(async () => !(await answers()));
}

/** Starts it again at the same address, on the same database, unless it runs. */
export async function startServer(): Promise<void> {
  if (await answers()) return;
  const child = spawn(process.execPath, ['server/dist/main.js'], {
    cwd: fileURLToPath(new URL('..', import.meta.url)),
    stdio: 'ignore',
    detached: true,
  });
  child.unref();
  writeFileSync(pidFile, String(child.pid));
  await until(answers);
}

const answers = (): Promise<boolean> =>
  fetch(`${url}/api/health`).then(
    ({ ok }) => ok,
    () => false,
  );

/** Two seconds where nothing else runs; many times that beside other browsers. */
const patienceMs = 60_000;

async function until(condition: () => Promise<boolean>): Promise<void> {
  const end = Date.now() + patienceMs;
  while (Date.now() < end) {
    if (await condition()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('The server did not come to the state the test waits for');
}
