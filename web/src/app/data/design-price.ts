import { computed, inject, Injectable } from '@angular/core';
import type { Plan } from '@levamen/core/design';
import type { OfferTotal, Pricer } from '@levamen/core/offer';
import type { Evaluation } from '@levamen/core/study';
import type { MaterialLine } from '@levamen/core/wiring';
import { EvaluationService } from './evaluation';
import { JobSession } from './job-session';
import { WiringStudies } from './wiring-studies';

/**
 * What a design costs with the stack in use; null = nothing is priced, or nothing in use.
 *
 * @param material of its wiring; null = it is being wired, and wire and conduit count by length
 */
export function priceOfDesign(
  priceOf: Pricer | null,
  plan: Plan,
  { island, selected }: Pick<Evaluation, 'island' | 'selected'>,
  material: readonly MaterialLine[] | null,
): OfferTotal | null {
  return priceOf && island && selected ? priceOf(plan, island, selected.stack, material) : null;
}

/** What the design that is looked at costs, wired as it is. */
@Injectable()
export class DesignPrice {
  private readonly session = inject(JobSession);
  private readonly evaluations = inject(EvaluationService);
  private readonly wiring = inject(WiringStudies);

  readonly price = computed(() => {
    const plan = this.session.studied();
    const evaluation = this.evaluations.evaluation();
    return plan && evaluation
      ? priceOfDesign(this.evaluations.pricer(), plan, evaluation, this.wiring.material())
      : null;
  });
}
