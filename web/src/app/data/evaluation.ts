import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { Catalogue } from '@levamen/core/equipment';
import { placeLocale, type PlaceLocale } from '@levamen/core/present';
import { evaluatePlan } from '@levamen/core/study';
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
  readonly evaluation = computed(() => {
    const plan = this.session.plan();
    const catalogue = this.catalogue();
    return plan && catalogue.length > 0 ? evaluatePlan(plan, catalogue, this.islandId()) : null;
  });
  readonly island = computed(() => this.evaluation()?.island ?? null);
  readonly units = computed(() => this.session.plan()?.site.units ?? 'metric');
  readonly locale = computed((): PlaceLocale => {
    const plan = this.session.plan();
    return plan ? placeLocale(plan.supply.system) : 'en-GB';
  });
}
