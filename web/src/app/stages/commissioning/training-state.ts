import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { type KeptTrainingRun, trainingLines } from '@levamen/core/api';
import type { TrainedStep, TrainingAnswer, TrainingResult } from '@levamen/core/commissioning/details';
import { type Remote, wrap } from 'comlink';
import { firstValueFrom } from 'rxjs';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { OutageStudies } from '../../data/outage-studies';
import { TrainingResults } from '../../data/training-api';
import type { TrainingApi, TrainingStand } from '../../workers/training-api';
import { CommissioningState } from './commissioning-state';

/** Numbers of runs: short enough to be told to somebody else. */
const seeds = 10_000;

/** What is told of a run, as much of it as is kept. */
const asKept = (lines: readonly string[]): string[] =>
  lines.slice(0, trainingLines.most).map((line) => line.slice(0, trainingLines.longest));

/** A training run on the house of the open job: what was done so far, and how it went. */
@Injectable()
export class TrainingState {
  private readonly state = inject(CommissioningState);
  private readonly session = inject(JobSession);
  private readonly studies = inject(OutageStudies);
  private readonly evaluations = inject(EvaluationService);
  private readonly kept = inject(TrainingResults);
  private made: { worker: Worker; remote: Remote<TrainingApi> } | null = null;
  private beganMs = 0;

  /** The island it is on: the first that is fed. */
  private readonly at = computed(
    () => this.state.design()?.islands.find(({ stack }) => stack !== null) ?? null,
  );
  readonly mayBegin = computed(() => this.at() !== null && this.studies.asked() !== null);
  readonly seed = signal(0);
  readonly stand = signal<TrainingStand | null>(null);
  readonly ways = signal<readonly string[]>([]);
  readonly done = signal<readonly TrainedStep[]>([]);
  readonly result = signal<TrainingResult | null>(null);
  readonly answered = signal<TrainingAnswer | null>(null);
  readonly isBusy = signal(false);
  readonly problem = signal('');
  readonly runs = signal<readonly KeptTrainingRun[]>([]);

  constructor() {
    inject(DestroyRef).onDestroy(() => this.made?.worker.terminate());
    this.kept.list().subscribe({ next: (runs) => this.runs.set(runs), error: () => undefined });
  }

  /** @param seed of a run somebody did before; null = another one */
  async begin(seed: number | null): Promise<void> {
    const [design, at, asked] = [this.state.design(), this.at(), this.studies.asked()];
    if (!design || !at?.stack || !asked) return;
    const chosen = seed ?? Math.floor(Math.random() * seeds);
    await this.busy(async () => {
      const study = { ...asked, islandId: at.island.id, parts: at.stack!.parts };
      const begun = await this.remote().begin(design, study, [...this.evaluations.catalogue()], chosen);
      if (!begun) {
        this.problem.set('This house cannot be played: choose its equipment in Sources first.');
        return;
      }
      this.seed.set(chosen);
      this.beganMs = Date.now();
      this.ways.set(begun.ways);
      this.stand.set(begun);
      this.done.set([]);
      this.result.set(null);
      this.answered.set(null);
    });
  }

  async stage(): Promise<void> {
    await this.busy(async () => this.stand.set(await this.remote().stage()));
  }

  async measure(stepId: string): Promise<void> {
    await this.busy(async () => {
      const answer = await this.remote().measure(stepId);
      if (!answer) return;
      const { done, stand } = answer;
      this.stand.set(stand);
      if (done) this.done.update((before) => [...before, done]);
    });
  }

  /** Ends the run: how it went is told, and kept. */
  async finish(answer: TrainingAnswer): Promise<void> {
    await this.busy(async () => {
      const result = await this.remote().finish(answer);
      if (!result) return;
      this.result.set(result);
      this.answered.set(answer);
      const { fault, isMadeSafe, overlooked, liveNeedlessly, houseMin, stepsDone } = result;
      const run = await firstValueFrom(
        this.kept.keep({
          house: (this.session.job()?.name ?? 'House').slice(0, 120),
          seed: this.seed(),
          fault,
          named: answer.fault,
          isMadeSafe,
          overlooked: asKept(overlooked),
          liveNeedlessly: asKept(liveNeedlessly),
          houseMin: Math.round(houseMin),
          tookS: Math.round((Date.now() - this.beganMs) / 1000),
          stepsDone,
        }),
      );
      this.runs.update((runs) => [run, ...runs]);
    });
  }

  private async busy(work: () => Promise<void>): Promise<void> {
    if (this.isBusy()) return;
    this.isBusy.set(true);
    this.problem.set('');
    try {
      await work();
    } catch {
      this.problem.set(
        this.result()
          ? 'How it went could not be kept: the server does not answer. It stands here until the page is left.'
          : 'The simulated house does not answer: begin another run.',
      );
    } finally {
      this.isBusy.set(false);
    }
  }

  private remote(): Remote<TrainingApi> {
    if (this.made) return this.made.remote;
    const worker = new Worker(new URL('../../workers/training.worker', import.meta.url), { type: 'module' });
    this.made = { worker, remote: wrap<TrainingApi>(worker) };
    return this.made.remote;
  }
}
