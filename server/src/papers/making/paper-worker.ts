import workerpool from 'workerpool';
import { makePaper } from './make-paper.js';
import type { MadePaper, PaperTask } from './paper-task.js';

// A process of `PaperMaker`: it takes seconds, and the server goes on meanwhile.
workerpool.worker({
  make: (task: PaperTask): Promise<MadePaper> =>
    makePaper(task, (progress) => {
      workerpool.workerEmit(progress);
    }),
  warm: (): null => null,
});
