import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Catalogue } from '@levamen/core/equipment';
import { placeLocale, type PlaceLocale } from '@levamen/core/present';
import { carriedOn, type Evaluation, evaluatePlan, type Known, withRuntimes } from '@levamen/core/study';
import { retry } from 'rxjs';
import { JobSession } from './job-session';
import { JobsApi } from './jobs-api';

const none: Catalogue = [];

/** What core says about the open job; worked out again at every edit. */
@Injectable()
export class EvaluationService {
  private readonly session = inject(JobSession);
  readonly catalogue = toSignal(
    inject(JobsApi)
      .catalogue()
      .pipe(retry({ delay: 2000 })),
    { initialValue: none },
  );
  /** The island that is looked at; '' is the first. Margins and stacks are those of its source. */
  readonly islandId = signal('');
  /** With runtimes by the closed formula, which answers at once. */
  readonly rough = computed(() => {
    const plan = this.session.studied();
    const catalogue = this.catalogue();
    return plan && catalogue.length > 0 ? evaluatePlan(plan, catalogue, this.islandId()) : null;
  });
  /** What was simulated last; {@link Runtimes} puts it here. */
  readonly known = signal<Known | null>(null);
  /** The one that everything shows: simulated, or marked as rough while a new answer is worked out. */
  readonly evaluation = computed((): Evaluation | null => {
    const rough = this.rough();
    const known = this.known();
    if (!rough || !known || known.rough.island?.id !== rough.island?.id) return rough;
    return known.rough === rough ? withRuntimes(rough, known.runtimes) : carriedOn(rough, known);
  });
  readonly island = computed(() => this.evaluation()?.island ?? null);
  readonly units = computed(() => this.session.plan()?.site.units ?? 'metric');
  readonly locale = computed((): PlaceLocale => {
    const plan = this.session.plan();
    return plan ? placeLocale(plan.supply.system) : 'en-GB';
  });
}
