import type { Catalogue, StackPart } from '@levamen/core/equipment';
import type { Plan } from '@levamen/core/design';
import type {
  ItemEffect,
  Mending,
  OutageStudy,
  Simulation,
  SubstituteOutcome,
  Suggestion,
} from '@levamen/core/study/details';

/** Searches around the backup set, in a worker. What they offer is simulated, by whoever asks. */
export interface BackupApi {
  /** The best set for a stack, or the best found when the time of a search is up. */
  suggest(
    study: OutageStudy,
    catalogue: Catalogue,
    simulation: Simulation,
    limitMs: number,
  ): Promise<Suggestion | null>;
  /** What breaks first and the ways out; null where nothing breaks. */
  mend(study: OutageStudy, catalogue: Catalogue, simulation: Simulation): Promise<Mending | null>;
  /** What stands beside each circuit of an island; hours by the closed formula. */
  effects(
    plan: Plan,
    islandId: string,
    parts: readonly StackPart[] | null,
    catalogue: Catalogue,
  ): Promise<ReadonlyMap<string, ItemEffect>>;
  substitutes(
    study: OutageStudy,
    catalogue: Catalogue,
    simulation: Simulation,
  ): Promise<readonly SubstituteOutcome[]>;
}
