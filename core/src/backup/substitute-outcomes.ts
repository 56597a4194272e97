import type { Job } from '../job/job.schema.js';
import type { Stack } from '../sizing/stack.js';
import { islandJob, type Island } from './islands.js';
import { outcomeOf, type Outcome } from './outcome.js';
import { substitutesFor, withSubstitute, type Substitute } from './substitutes.js';

/** A substitute and what the design comes to with it. */
export interface SubstituteOutcome {
  readonly substitute: Substitute;
  readonly outcome: Outcome;
}

/** What each substitute for a load of an island is worth, beside the same stack. */
export function substituteOutcomes(whole: Job, island: Island, stack: Stack): SubstituteOutcome[] {
  const { supply, loads } = islandJob(whole, island);
  return substitutesFor(supply.system, loads).map((substitute) => ({
    substitute,
    outcome: outcomeOf(
      islandJob({ ...whole, loads: withSubstitute(whole.loads, substitute) }, island),
      stack,
    ),
  }));
}
