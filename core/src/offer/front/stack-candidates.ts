import type { Stack } from '../../equipment/index.js';
import type { Plan } from '../../design/index.js';
import type { Evaluation, Margin } from '../../study/index.js';
import type { OfferTotal } from '../total/offer-total.js';
import type { Pricer } from '../total/pricer.js';
import type { Candidate } from './price-front.js';

/** A stack that may carry the backup set, with what it costs; null = the list has no prices. */
export interface StackCandidate extends Candidate {
  readonly stack: Stack;
  readonly price: OfferTotal | null;
}

/** A stack that is not asked how long it lasts: a limit other than its hours stands against it. */
export interface RuledOut {
  readonly stack: Stack;
  readonly because: Margin;
}

/**
 * The stacks of the list that hold every binding limit but the runtime, each with its price; where nothing is priced, kilowatt-hours stand in
 * for it, and kilovolt-amperes decide between equals.
 */
export function stackCandidates(
  plan: Plan,
  { judged, island }: Evaluation,
  priceOf: Pricer | null,
): { readonly candidates: readonly StackCandidate[]; readonly ruledOut: readonly RuledOut[] } {
  const candidates: StackCandidate[] = [];
  const ruledOut: RuledOut[] = [];
  for (const { stack, lacks } of judged) {
    const because = lacks.find(({ key }) => key !== 'runtime');
    if (because) {
      ruledOut.push({ stack, because });
      continue;
    }
    const price = priceOf && island ? priceOf(plan, island, stack) : null;
    candidates.push({
      stack,
      price,
      cost: price?.afterIncentives ?? (stack.nameplateWh / 1000 + stack.continuousVA / 1e9).toFixed(6),
      // One inverter unit in one number, with batteries of one kind: they differ in how many.
      family: [stack.inverter.id, stack.inverterQuantity, ...stack.batteries.map(({ unit }) => unit.id)].join(
        '/',
      ),
      batteryWh: stack.nameplateWh,
    });
  }
  return { candidates, ruledOut };
}
