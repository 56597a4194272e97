import type { Stack } from '../../equipment/index.js';
import { type Island, islandPlan, type Plan } from '../../design/index.js';
import type { Simulation } from '../outage/simulation.js';
import { outcomeOf, type Outcome } from './outcome.js';
import { substitutesFor, withSubstitute, type Substitute } from './substitutes.js';

/** A substitute and what the design comes to with it. */
export interface SubstituteOutcome {
  readonly substitute: Substitute;
  readonly outcome: Outcome;
}

/** What each substitute for a load of an island is worth, beside the same stack. */
export async function substituteOutcomes(
  whole: Plan,
  island: Island,
  stack: Stack,
  simulation: Simulation,
): Promise<SubstituteOutcome[]> {
  const outcomes: SubstituteOutcome[] = [];
  for (const substitute of substitutesFor(islandPlan(whole, island))) {
    const plan = withSubstitute(whole, substitute);
    const outlook = await simulation.outlook(plan, stack.parts);
    outcomes.push({ substitute, outcome: outcomeOf(islandPlan(plan, island), stack, outlook) });
  }
  return outcomes;
}
