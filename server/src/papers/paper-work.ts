import { sampleOfRow } from '@levamen/core/api';
import { type Job, planOf, readJob } from '@levamen/core/job';
import { packIdFor, packNames } from '@levamen/core/rules';
import { revisionLetter } from '@levamen/core/papers';
import type { RecordedOutage } from '@levamen/core/papers/details';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { checkLogo } from '../company/check-logo.js';
import { CompanySheetStore } from '../company/company-sheet-store.js';
import { RecordingStore } from '../devices/recording-store.js';
import { JobSources } from '../jobs/sources-of-job.js';
import { JobStore } from '../jobs/job-store.js';
import { actingFor } from '../workspaces/fence.js';
import { PaperMaker } from './making/paper-maker.js';
import type { PaperTask } from './making/paper-task.js';
import type { Work } from '../queue/work.js';
import type { PaperOrderRow, PaperRow } from './paper-entities.js';
import { differencesOf, PaperStore } from './paper-store.js';

/** What the queue holds: which order, and whose. */
export interface Ordered {
  readonly orderId: string;
  readonly workspaceId: string;
}

/** How often is looked whether an order was called off, ms. */
const lookMs = 400;

/** Whoever works on an order tells so all the time; after so long without a word he has died, s. */
const silentS = 10;

/** Words for whoever asked, where a paper could not be made. */
class CannotMake extends Error {}

/** Works on orders of papers: gathers what they are made from, has them made, keeps what comes out. */
export class PaperWork implements Work<Ordered> {
  readonly name = 'papers';
  readonly atOnce = 1;
  private readonly maker = new PaperMaker();
  private isClosing = false;

  constructor(
    private readonly source: DataSource,
    private readonly logger: Logger,
  ) {}

  /** Somebody looks at papers: one will be asked for soon. */
  warm(): void {
    this.maker.warm();
  }

  /** Orders that somebody was working on who has died. */
  async takeUp(): Promise<Ordered[]> {
    const left = await this.source.query<{ order_id: string; of_workspace: string }[]>(
      'SELECT order_id, of_workspace FROM take_up_orders($1)',
      [silentS],
    );
    return left.map(({ order_id: orderId, of_workspace: workspaceId }) => ({ orderId, workspaceId }));
  }

  /** Lets go of what is being made: whoever works next takes it up again. */
  close(): Promise<void> {
    this.isClosing = true;
    return this.maker.close();
  }

  /** Works on one order. It fails with words where it cannot be made; it throws where it is worth trying again. */
  work({ orderId, workspaceId }: Ordered): Promise<void> {
    return actingFor({ workspaceId, accountId: null }, async () => {
      const store = new PaperStore(this.source, workspaceId);
      const order = await store.take(orderId);
      if (!order) return;
      try {
        await this.make(order, store, workspaceId);
      } catch (error) {
        if (error instanceof CannotMake) return store.fail(orderId, error.message);
        if (this.isClosing) throw error;
        // It was called off.
        if ((error as Error).name === 'CancellationError') return;
        this.logger.error({ err: error }, 'a paper could not be made');
        await store.fail(
          orderId,
          'It could not be made: the program has met something it did not foresee. Ask for it again; if it fails again, leave parts out until it does not, and report what fails.',
        );
      }
    });
  }

  private async make(order: PaperOrderRow, store: PaperStore, workspaceId: string): Promise<void> {
    const { asked } = order;
    const jobs = new JobStore(this.source, workspaceId);
    const job = await readableAt(jobs, order.jobId, asked.jobRevision);
    for (const id of asked.request.designIds)
      if (!job.designs.some((design) => design.id === id))
        throw new CannotMake('A design that was chosen is not in the job any more. Choose again.');
    const gathered = await this.gather(job, workspaceId);
    const reports = asked.request.kind === 'report' || asked.format === 'zip';
    const recordings = reports ? await this.recordingsOf(order.jobId, job, workspaceId) : [];
    const plan = planOf(job, asked.request.designIds[0]!);
    const rulePack = packNames[packIdFor(plan)].edition;
    const equipmentRevision = job.equipmentList.revision;
    const task = {
      request: asked.request,
      format: asked.format,
      job,
      ...gathered,
      recordings,
      day: new Date().toISOString().slice(0, 10),
      jobRevision: asked.jobRevision,
    };
    if (asked.issue === null) {
      const made = await this.run(order, store, { ...task, issued: null, changes: null });
      await store.keepDraft(order.id, made);
      return;
    }
    const reissues =
      asked.issue.reissues === null ? null : await store.find(order.jobId, asked.issue.reissues);
    if (asked.issue.reissues !== null && !reissues)
      throw new CannotMake('The paper it replaces is not there.');
    const since = reissues && (await jobs.readable(order.jobId, reissues.jobRevision));
    const changes = since ? differencesOf(since, job) : [];
    // Its number stands on it: one paper of a company is numbered at a time.
    await store.numbering(async () => {
      const numbered = await store.nextNumber(
        gathered.company.numberScheme,
        Number(task.day.slice(0, 4)),
        reissues,
      );
      const made = await this.run(order, store, {
        ...task,
        issued: {
          number: numbered.number,
          letter: revisionLetter(numbered.letterIndex),
          who: order.actor === '' ? gathered.company.name || 'Levamen' : order.actor,
        },
        changes: reissues && { since: revisionLetter(numbered.letterIndex - 1), lines: changes },
      });
      const from: Pick<PaperRow, 'equipmentRevision' | 'rulePack' | 'changes'> = {
        equipmentRevision,
        rulePack,
        changes,
      };
      await store.issue(order, made, numbered, from);
    });
  }

  /** Has it made, tells how far it is, and ends it where it was called off. */
  private async run(order: PaperOrderRow, store: PaperStore, task: PaperTask) {
    const off = new AbortController();
    let now = { share: 0.05, says: 'Reading the job' };
    const look = setInterval(() => {
      store.tell(order.id, now.share, now.says).then(
        (goesOn) => {
          if (!goesOn) off.abort();
        },
        () => undefined,
      );
    }, lookMs);
    try {
      return await this.maker.make(task, (progress) => (now = progress), off.signal);
    } finally {
      clearInterval(look);
    }
  }

  /** What was recorded of the staged outages that its record names. */
  private async recordingsOf(jobId: string, job: Job, workspaceId: string): Promise<RecordedOutage[]> {
    const store = new RecordingStore(this.source, workspaceId);
    const named = new Set(job.commissioning.outages.map(({ id }) => id));
    const recordings: RecordedOutage[] = [];
    for (const { id, name, beganAt } of await store.list(jobId)) {
      if (!named.has(id)) continue;
      const samples = (await store.rows(id, -1)).map(sampleOfRow);
      recordings.push({ id, name, beganAt, samples });
    }
    return recordings;
  }

  /** Everything beside the job that its papers are made from. */
  private async gather(
    job: Job,
    workspaceId: string,
  ): Promise<Pick<PaperTask, 'items' | 'book' | 'weather' | 'company' | 'logo'>> {
    const sheets = new CompanySheetStore(this.source, workspaceId);
    const { sheet } = await sheets.read();
    const logo = sheet.logo === null ? null : await sheets.logo(sheet.logo);
    return {
      ...(await new JobSources(this.source, workspaceId).of(job)),
      company: sheet,
      logo: logo && `data:${checkLogo(logo)};base64,${logo.toString('base64')}`,
    };
  }
}

async function readableAt(jobs: JobStore, id: string, revision: number): Promise<Job> {
  const stored = await jobs.revision(id, revision);
  if (!stored) throw new CannotMake('The revision of the job it was asked for is not there. Ask again.');
  const read = readJob(stored.document);
  if (!read.ok) throw new CannotMake('The stored job cannot be read: open it, and mend it first.');
  return read.job;
}
