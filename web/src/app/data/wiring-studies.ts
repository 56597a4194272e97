import { computed, DestroyRef, inject, Injectable } from '@angular/core';
import { sameBut } from '@levamen/core/base';
import type { Plan } from '@levamen/core/design';
import type { Evaluation } from '@levamen/core/study';
import type { MaterialLine } from '@levamen/core/wiring';
import { type Remote, wrap } from 'comlink';
import type { WiringApi } from '../workers/wiring-api';
import { chosenIn, chosenStacks } from './chosen-stacks';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';
import { workerAnswers } from './worker-answers';

/** After an edit, and after a job is opened: the margins come first. */
const settleMs = 150;
const firstMs = 1500;

/** What is photographed, said or found of it wires nothing anew, nor does what is moved on the drawing. */
const sameButNudges = (one: Plan | null, other: Plan | null): boolean =>
  one === other ||
  (one !== null &&
    other !== null &&
    sameBut(one, other, ['wiring', 'photos', 'course', 'commissioning', 'logbook', 'openPoints']) &&
    sameBut(one.wiring, other.wiring, ['nudges']));

/** The wiring of the open design, derived and judged in a worker after every edit. */
@Injectable()
export class WiringStudies {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private made: { worker: Worker; remote: Remote<WiringApi> } | null = null;

  /** What is moved on the drawing wires nothing anew. */
  private readonly wired = computed(() => this.session.plan(), { equal: sameButNudges });
  private readonly asked = chosenStacks(this.wired);
  readonly state = workerAnswers(this.asked, (asked) => this.remote().wire(asked), { firstMs, settleMs });
  readonly answer = computed(() => this.state().answer);
  /** What is bought for the wiring of the design as it is now; null = it is being wired. */
  readonly material = computed(() => {
    const { answer, of } = this.state();
    return answer && of === this.asked() ? answer.material : null;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.made?.worker.terminate());
  }

  /** What is bought for the wiring of another design, with the units in use there; null = it could not be wired. */
  async materialOf(plan: Plan, evaluation: Evaluation): Promise<readonly MaterialLine[] | null> {
    try {
      return await this.remote().material(chosenIn(plan, evaluation, this.evaluations.catalogue()));
    } catch {
      return null;
    }
  }

  /** The worker that wires: it draws and says what is live, too. */
  remote(): Remote<WiringApi> {
    if (this.made) return this.made.remote;
    const worker = new Worker(new URL('../workers/wiring.worker', import.meta.url), { type: 'module' });
    this.made = { worker, remote: wrap<WiringApi>(worker) };
    return this.made.remote;
  }
}
