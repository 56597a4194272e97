import workerpool from 'workerpool';
import { makePaper } from './make-paper.js';
import type { MadePaper, PaperTask } from './paper-task.js';

// Its server is gone, or has ended it: nobody waits for what is under way.
process.on('disconnect', () => process.exit(0));
process.on('error', () => process.exit(0));

// A process of `PaperMaker`: it takes seconds, and the server goes on meanwhile.
workerpool.worker({
  make: (task: PaperTask): Promise<MadePaper> =>
    makePaper(task, (progress) => {
      workerpool.workerEmit(progress);
    }),
  warm: (): null => null,
});
