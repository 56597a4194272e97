import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import type { MadePaper, PaperProgress, PaperTask } from './paper-task.js';

/** A year of weather, five years of outages and a packet of 60 circuits take a third of this. */
const workerMemoryMB = 1500;

/** Workers are loaded by Node itself, which reads what was compiled; tests run the source. */
const workerFile = new URL(
  import.meta.url.endsWith('.ts') ? '../../../dist/papers/making/make-paper.js' : './make-paper.js',
  import.meta.url,
).href;

/** Makes papers away from the server's thread, one after the other, so that edits are not held up. */
export class PaperMaker {
  private pool: Piscina | null = null;

  /**
   * @param tell how far it is
   * @param signal ends it: the worker is stopped in the middle of its work
   */
  async make(
    task: Omit<PaperTask, 'port'>,
    tell: (progress: PaperProgress) => void,
    signal: AbortSignal,
  ): Promise<MadePaper> {
    const { port1, port2 } = new MessageChannel();
    port1.on('message', tell);
    try {
      return (await this.workers().run(
        { ...task, port: port2 },
        { transferList: [port2], signal },
      )) as MadePaper;
    } finally {
      port1.close();
    }
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
  }

  private workers(): Piscina {
    this.pool ??= new Piscina({
      filename: workerFile,
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 60_000,
      // It loads what was compiled, whatever the server itself was loaded with.
      execArgv: [],
      // Edits go first where there is hardly any room.
      niceIncrement: 10,
      resourceLimits: { maxOldGenerationSizeMb: workerMemoryMB },
    });
    return this.pool;
  }
}
