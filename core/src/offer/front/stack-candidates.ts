import type { Stack } from '../../equipment/index.js';
import type { Plan } from '../../design/index.js';
import type { Evaluation, Margin } from '../../study/index.js';
import type { OfferTotal } from '../total/offer-total.js';
import type { Pricer } from '../total/pricer.js';
import type { Candidate } from './front-by-bounds.js';

/** A stack that may carry a variant of a design, with what it costs; null = the list has no prices. */
export interface StackCandidate extends Candidate {
  readonly stack: Stack;
  readonly price: OfferTotal | null;
}

/** A stack that is not asked how long it lasts: a limit other than its hours stands against it. */
export interface RuledOut {
  readonly stack: Stack;
  readonly because: Margin;
}

export interface StackCandidates {
  readonly candidates: readonly StackCandidate[];
  readonly ruledOut: readonly RuledOut[];
  /** Dearer than the brief allows. */
  readonly tooDear: number;
  /** Names without a price that the design as it is does not need; where there are any, nothing can be compared. */
  readonly unpriced: readonly string[];
}

/**
 * The stacks of the list that hold every binding limit but the runtime, each with its price; where nothing is priced, kilowatt-hours stand in
 * for it, and kilovolt-amperes decide between equals.
 *
 * @param variant key of the design: stacks of other variants are other families
 * @param missingAnyhow names that have no price in the design as it is
 */
export function stackCandidates(
  plan: Plan,
  { judged, island }: Pick<Evaluation, 'judged' | 'island'>,
  priceOf: Pricer | null,
  variant = '',
  missingAnyhow: ReadonlySet<string> = new Set(),
): StackCandidates {
  const candidates: StackCandidate[] = [];
  const ruledOut: RuledOut[] = [];
  const unpriced = new Set<string>();
  const { mostCost } = plan.brief;
  let tooDear = 0;
  for (const { stack, lacks, margins } of judged) {
    const because = lacks.find(({ key }) => key !== 'runtime');
    if (because) {
      ruledOut.push({ stack, because });
      continue;
    }
    const price = priceOf && island ? priceOf(plan, island, stack) : null;
    const lacking = variant === '' ? [] : (price?.missing ?? []).filter((name) => !missingAnyhow.has(name));
    if (lacking.length > 0) {
      for (const name of lacking) unpriced.add(name);
      continue;
    }
    const cost = price ? Number(price.afterIncentives) : stack.nameplateWh / 1000 + stack.continuousVA / 1e9;
    if (price && mostCost !== null && cost > Number(mostCost)) {
      tooDear += 1;
      continue;
    }
    const runtime = margins.find(({ key }) => key === 'runtime');
    candidates.push({
      stack,
      price,
      cost,
      // One inverter unit in one number, with batteries of one kind: they differ in how many.
      family: [
        variant,
        stack.inverter.id,
        stack.inverterQuantity,
        ...stack.batteries.map(({ unit }) => unit.id),
      ].join('/'),
      batteryWh: stack.nameplateWh,
      guess: runtime && runtime.ratio > 0 ? 1 / runtime.ratio : 0,
    });
  }
  return { candidates, ruledOut, tooDear, unpriced: [...unpriced] };
}
