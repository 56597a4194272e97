import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import type { Catalogue } from '@levamen/core/equipment';
import type {
  Mending,
  OutageStudy,
  Simulation,
  SubstituteOutcome,
  Suggestion,
} from '@levamen/core/study/details';
import type { Plan } from '@levamen/core/design';
import { proxy, type ProxyMarked, wrap, type Remote } from 'comlink';
import { EvaluationService } from '../../data/evaluation';
import { JobSession } from '../../data/job-session';
import { LastAnswers } from '../../data/last-answers';
import { OutageStudies } from '../../data/outage-studies';
import type { BackupApi } from '../../workers/backup-api';

/** An answer, and the job it was worked out for. */
interface Answer<T> {
  readonly plan: Plan;
  readonly islandId: string;
  readonly value: T;
}

/** Of what is asked, with which units, and who plays the outages. */
type Asked = [study: OutageStudy, catalogue: Catalogue, simulation: Simulation & ProxyMarked];

/** A search that takes longer than this answers with the best set so far. */
const limitMs = 2500;

/** Searches around the backup set: run in a worker, ended by ending it. The last answer stays, marked as outdated once the job changes. */
@Injectable()
export class BackupSearch {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly studies = inject(OutageStudies);
  private worker: Worker | null = null;
  private remote: Remote<BackupApi> | null = null;

  private readonly last = inject(LastAnswers);
  private readonly suggested = this.last.of<Answer<Suggestion | null>>('suggestion');
  private readonly mended = this.last.of<Answer<Mending | null>>('mending');
  private readonly substituted = this.last.of<Answer<readonly SubstituteOutcome[]>>('substitutes');
  readonly busy = signal(false);
  readonly problem = signal('');
  readonly suggestion = computed(() => this.shown(this.suggested()));
  readonly mending = computed(() => this.shown(this.mended()));
  readonly substitutes = computed(() => this.shown(this.substituted()));

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker?.terminate());
  }

  suggest(): Promise<void> {
    return this.ask(
      (there, ...asked) => there.suggest(...asked, limitMs),
      (answer) => this.suggested.set(answer),
    );
  }

  mend(): Promise<void> {
    return this.ask(
      (there, ...asked) => there.mend(...asked),
      (answer) => this.mended.set(answer),
    );
  }

  lookForSubstitutes(): Promise<void> {
    return this.ask(
      (there, ...asked) => there.substitutes(...asked),
      (answer) => this.substituted.set(answer),
    );
  }

  /** Ends what is under way. */
  cancel(): void {
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
    this.busy.set(false);
  }

  private async ask<T>(
    question: (there: Remote<BackupApi>, ...asked: Asked) => Promise<T>,
    take: (answer: Answer<T>) => void,
  ): Promise<void> {
    const study = this.studies.study();
    if (!study || this.busy()) return;
    const { plan, islandId } = study;
    this.busy.set(true);
    this.problem.set('');
    const there = this.there();
    try {
      const simulation = proxy(this.studies.simulationOf(study));
      const value = await question(there, study, [...this.evaluations.catalogue()], simulation);
      take({ plan, islandId, value });
    } catch {
      this.problem.set('The search ended unexpectedly. Try again.');
    } finally {
      if (this.remote === there) this.busy.set(false);
    }
  }

  /** The last answer for the island that is looked at, and whether the job has changed since; null where there is none. */
  private shown<T>(answer: Answer<T> | null): { readonly value: T; readonly isOutdated: boolean } | null {
    if (answer === null || answer.islandId !== (this.evaluations.island()?.id ?? '')) return null;
    return { value: answer.value, isOutdated: answer.plan !== this.session.studied() };
  }

  private there(): Remote<BackupApi> {
    if (!this.remote) {
      this.worker = new Worker(new URL('../../workers/backup.worker', import.meta.url), { type: 'module' });
      this.remote = wrap<BackupApi>(this.worker);
    }
    return this.remote;
  }
}
