import type { SeasonOutlook } from '../outage/outlook-of.js';
import type { Evaluation } from './evaluate-plan.js';
import { judgeStack, type JudgedStack } from './judge-stack.js';
import { selectStack } from './select-stack.js';
import type { FoundStacks } from './smallest-holding.js';

/** What simulation has found out about the stacks of a plan so far. */
export interface Runtimes {
  /** By name of the stack. */
  readonly outlooks: ReadonlyMap<string, SeasonOutlook>;
  /** The search for the smallest; null while it is under way. */
  readonly found: FoundStacks | null;
}

/**
 * An evaluation with what was simulated: margins of the stacks that were played, and the suggestion that was searched for. Where
 * nothing was simulated yet, the rough stand-in stays, marked as such.
 */
export function withRuntimes(rough: Evaluation, { outlooks, found }: Runtimes): Evaluation {
  const { context } = rough;
  const again = (one: JudgedStack): JudgedStack => {
    const outlook = outlooks.get(one.stack.name);
    return outlook ? judgeStack(context, one.stack, outlook) : one;
  };
  const judged = rough.judged.map(again);
  const chosen = rough.selectedBy === 'user' ? again(rough.selected!) : null;
  return { ...rough, ...selectStack(judged, chosen, found), judged };
}
