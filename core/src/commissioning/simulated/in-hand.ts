import { assembleStack, builtInCatalogue } from '../../equipment/index.js';
import { chosenFor, type Island, islandsOf, type Plan } from '../../design/index.js';
import { wireDesign } from '../../wiring/index.js';
import type { DesignInHand } from '../steps/design-in-hand.js';

/** A plan with the units that are chosen in it, wired. */
export function inHand(plan: Plan): DesignInHand {
  const stackOf = (island: Island) => {
    const parts = chosenFor(plan, island);
    const assembled = parts && assembleStack(parts, builtInCatalogue, plan.supply.system);
    return assembled?.ok ? assembled.stack : null;
  };
  return {
    plan,
    wired: wireDesign(plan, stackOf),
    islands: islandsOf(plan).map((island) => ({ island, stack: stackOf(island) })),
  };
}
