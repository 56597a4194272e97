import { computed, inject, Injectable } from '@angular/core';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';
import { WiringStudies } from './wiring-studies';

/** What the design that is looked at costs, wired as it is. */
@Injectable()
export class DesignPrice {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly wiring = inject(WiringStudies);

  /** While it is being wired, wire and conduit count by length; null = nothing is priced, or nothing in use. */
  readonly price = computed(() => {
    const plan = this.session.studied();
    const priceOf = this.evaluations.pricer();
    const { island, selected } = this.evaluations.evaluation() ?? {};
    return plan && priceOf && island && selected
      ? priceOf(plan, island, selected.stack, this.wiring.material())
      : null;
  });
}
