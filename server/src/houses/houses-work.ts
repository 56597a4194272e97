import { availableParallelism } from 'node:os';
import type { HouseAnswer } from '@levamen/core/api';
import { readJob } from '@levamen/core/job';
import type { OutageAsked } from '@levamen/core/logbook';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { JobSources } from '../jobs/sources-of-job.js';
import { JobStore } from '../jobs/job-store.js';
import { compiled } from '../queue/compiled.js';
import { Helpers } from '../queue/helpers.js';
import type { Work } from '../queue/work.js';
import { actingFor } from '../workspaces/fence.js';
import type { HouseTask } from './answer-of-house.js';
import { HousesStore, type HousesTask } from './houses-store.js';

/** Whoever works on houses tells so with every answer; after so long without a word he has died, s. */
const silentS = 20;
/** However many processors a machine has: the rest is for those who edit, and for the database. */
const mostAtOnce = 4;
/** Five years of a house take a third of this. */
const workerMemoryMB = 600;

/** Asks houses, some at a time, on all processors. */
export class HousesWork implements Work<HousesTask> {
  readonly name = 'houses';
  readonly atOnce = Math.min(mostAtOnce, availableParallelism());
  private readonly helpers = new Helpers(
    compiled('./houses-worker.js', import.meta.url),
    this.atOnce,
    workerMemoryMB,
  );
  private isClosing = false;

  constructor(
    private readonly source: DataSource,
    private readonly logger: Logger,
  ) {}

  work({ runId, workspaceId, jobIds }: HousesTask): Promise<void> {
    return actingFor({ workspaceId, accountId: null }, async () => {
      const store = new HousesStore(this.source, workspaceId);
      const sources = new JobSources(this.source, workspaceId);
      // Read anew for each house: somebody may have called it off, or another worker may have answered.
      for (const jobId of jobIds) {
        const waiting = await store.waiting(runId, [jobId]);
        if (!waiting) return;
        if (waiting.jobIds.length === 0) continue;
        const { states: _, ...asked } = waiting.asked;
        await store.answer(runId, jobId, await this.ask(workspaceId, jobId, asked, sources));
      }
    });
  }

  async takeUp(): Promise<HousesTask[]> {
    const runs = await this.source.query<{ run_id: string; of_workspace: string }[]>(
      'SELECT run_id, of_workspace FROM take_up_houses($1)',
      [silentS],
    );
    const tasks: HousesTask[] = [];
    for (const { run_id: runId, of_workspace: workspaceId } of runs)
      tasks.push(
        ...(await actingFor({ workspaceId, accountId: null }, () =>
          new HousesStore(this.source, workspaceId).left(runId),
        )),
      );
    return tasks;
  }

  close(): Promise<void> {
    this.isClosing = true;
    return this.helpers.close();
  }

  private async ask(
    workspaceId: string,
    jobId: string,
    asked: OutageAsked,
    sources: JobSources,
  ): Promise<HouseAnswer> {
    const stored = await new JobStore(this.source, workspaceId).read(jobId);
    const cannot = (problem: string): HouseAnswer => ({
      revision: stored?.revision ?? 0,
      islands: [],
      problem,
    });
    if (!stored) return cannot('The job lies in the bin.');
    const read = readJob(stored.document);
    if (!read.ok) return cannot('The stored job cannot be read: open it, and mend it first.');
    const { items, weather } = await sources.of(read.job);
    const task: HouseTask = {
      asked,
      // What no outage rests on stays here.
      job: { ...read.job, photos: [], openPoints: [] },
      revision: stored.revision,
      items,
      weather,
    };
    try {
      return await this.helpers.do('ask', [task]);
    } catch (error) {
      if (this.isClosing) throw error;
      this.logger.error({ err: error, jobId }, 'a house could not be asked');
      return cannot('It could not be worked out: the program has met something it did not foresee.');
    }
  }
}
