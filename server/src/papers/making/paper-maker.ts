import { compiled } from '../../queue/compiled.js';
import { Helpers } from '../../queue/helpers.js';
import type { MadePaper, PaperProgress, PaperTask } from './paper-task.js';

/** A year of weather, five years of outages and a packet of 60 circuits take a third of this. */
const workerMemoryMB = 1500;

/** Makes papers beside the server, one after the other, so that edits are not held up. */
export class PaperMaker {
  private readonly helpers = new Helpers(compiled('./paper-worker.js', import.meta.url), 1, workerMemoryMB);

  /**
   * @param tell how far it is
   * @param signal ends it: the worker is stopped in the middle of its work
   */
  make(task: PaperTask, tell: (progress: PaperProgress) => void, signal: AbortSignal): Promise<MadePaper> {
    return this.helpers.do('make', [task], tell, signal);
  }

  /** Loads what a worker needs, so that the first paper does not wait for it. */
  warm(): void {
    this.helpers.do('warm', []).catch(() => undefined);
  }

  close(): Promise<void> {
    return this.helpers.close();
  }
}
