import { existsSync } from 'node:fs';
import workerpool, { type Pool, type Promise as Running } from 'workerpool';

/** Lets go of its memory once nobody has asked for so long, ms. */
const idleMs = 600_000;

const nice = '/usr/bin/nice';
/** How far they stand back, 0 to 19: edits go first, and work is done all the same where the machine has much to do. */
const niceness = /^1?\d$/.exec(process.env['LEVAMEN_PAPERS_NICE'] ?? '')?.[0] ?? '10';

/** In processes of their own that stand back with all their threads. */
const forkOptions = (memoryMB: number) => {
  const memory = `--max-old-space-size=${memoryMB}`;
  return existsSync(nice)
    ? {
        execPath: nice,
        execArgv: ['-n', niceness, process.execPath, memory],
        serialization: 'advanced' as const,
      }
    : { execArgv: [memory], serialization: 'advanced' as const };
};

/** Does heavy work beside the server, so that edits are not held up. */
export class Helpers {
  private pool: Pool | null = null;
  private rest: NodeJS.Timeout | null = null;

  /**
   * @param file what the processes run, as it was compiled
   * @param atOnce so many of them
   * @param memoryMB each may take so much
   */
  constructor(
    private readonly file: string,
    private readonly atOnce: number,
    private readonly memoryMB: number,
  ) {}

  /**
   * @param name of what is done
   * @param tell is told what the process says meanwhile
   * @param signal ends it: the process is stopped in the middle of its work
   */
  async do<Result, Said = never>(
    name: string,
    parameters: readonly unknown[],
    tell: (said: Said) => void = () => undefined,
    signal?: AbortSignal,
  ): Promise<Result> {
    const running = this.workers().exec(name, [...parameters], { on: tell }) as Running<Result>;
    const stop = (): void => void running.cancel();
    signal?.addEventListener('abort', stop, { once: true });
    try {
      return await running;
    } finally {
      signal?.removeEventListener('abort', stop);
    }
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
    this.pool ??= workerpool.pool(this.file, {
      workerType: 'process',
      maxWorkers: this.atOnce,
      workerTerminateTimeout: 500,
      forkOpts: forkOptions(this.memoryMB),
    });
    return this.pool;
  }
}
