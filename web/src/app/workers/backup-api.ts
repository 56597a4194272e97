import type { Catalogue } from '@levamen/core/equipment';
import type { Mending, OutageStudy, SubstituteOutcome, Suggestion } from '@levamen/core/study';

/** Searches around the backup set, in a worker. What they offer is simulated. */
export interface BackupApi {
  /** The best set for a stack, or the best found when the time of a search is up. */
  suggest(study: OutageStudy, catalogue: Catalogue, limitMs: number): Suggestion | null;
  /** What breaks first and the ways out; null where nothing breaks. */
  mend(study: OutageStudy, catalogue: Catalogue): Promise<Mending | null>;
  substitutes(study: OutageStudy, catalogue: Catalogue): readonly SubstituteOutcome[];
}
