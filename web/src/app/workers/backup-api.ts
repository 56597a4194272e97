import type { Catalogue, StackPart } from '@levamen/core/equipment';
import type { Mending, SubstituteOutcome, Suggestion } from '@levamen/core/study';
import type { Plan } from '@levamen/core/design';

/** Searches around the backup set, in a worker. */
export interface BackupApi {
  /** The best set for a stack, or the best found when the time is up. */
  suggest(
    plan: Plan,
    catalogue: Catalogue,
    islandId: string,
    parts: readonly StackPart[],
    limitMs: number,
  ): Suggestion | null;
  /** What breaks first and the ways out; null where nothing breaks. */
  mend(plan: Plan, catalogue: Catalogue, islandId: string): Mending | null;
  substitutes(plan: Plan, catalogue: Catalogue, islandId: string): readonly SubstituteOutcome[];
}
