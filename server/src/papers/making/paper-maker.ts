import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import workerpool, { type Pool, type Promise as Running } from 'workerpool';
import type { MadePaper, PaperProgress, PaperTask } from './paper-task.js';

/** A year of weather, five years of outages and a packet of 60 circuits take a third of this. */
const workerMemoryMB = 1500;
/** Lets go of its memory once nobody has asked for a paper for so long, ms. */
const idleMs = 600_000;

/** Workers are loaded by Node itself, which reads what was compiled; tests run the source. */
const workerFile = fileURLToPath(
  new URL(
    import.meta.url.endsWith('.ts') ? '../../../dist/papers/making/paper-worker.js' : './paper-worker.js',
    import.meta.url,
  ),
);

const nice = '/usr/bin/nice';
const memory = `--max-old-space-size=${workerMemoryMB}`;
/** How far it stands back, 0 to 19: edits go first, and papers are made all the same where the machine has much to do. */
const niceness = /^1?\d$/.exec(process.env['LEVAMEN_PAPERS_NICE'] ?? '')?.[0] ?? '10';
/** In a process of its own that stands back with all its threads. */
const forkOpts = existsSync(nice)
  ? {
      execPath: nice,
      execArgv: ['-n', niceness, process.execPath, memory],
      serialization: 'advanced' as const,
    }
  : { execArgv: [memory], serialization: 'advanced' as const };

/** Makes papers beside the server, one after the other, so that edits are not held up. */
export class PaperMaker {
  private pool: Pool | null = null;
  private rest: NodeJS.Timeout | null = null;

  /**
   * @param tell how far it is
   * @param signal ends it: the worker is stopped in the middle of its work
   */
  async make(
    task: PaperTask,
    tell: (progress: PaperProgress) => void,
    signal: AbortSignal,
  ): Promise<MadePaper> {
    const running = this.workers().exec('make', [task], { on: tell }) as Running<MadePaper>;
    const stop = (): void => void running.cancel();
    signal.addEventListener('abort', stop, { once: true });
    try {
      return await running;
    } finally {
      signal.removeEventListener('abort', stop);
    }
  }

  /** Loads what a worker needs, so that the first paper does not wait for it. */
  warm(): void {
    this.workers()
      .exec('warm', [])
      .catch(() => undefined);
  }

  async close(): Promise<void> {
    if (this.rest) clearTimeout(this.rest);
    const { pool } = this;
    this.pool = null;
    await pool?.terminate(true, 1000);
  }

  private workers(): Pool {
    if (this.rest) clearTimeout(this.rest);
    this.rest = setTimeout(() => void this.close(), idleMs);
    this.rest.unref();
    this.pool ??= workerpool.pool(workerFile, {
      workerType: 'process',
      maxWorkers: 1,
      workerTerminateTimeout: 500,
      forkOpts,
    });
    return this.pool;
  }
}
