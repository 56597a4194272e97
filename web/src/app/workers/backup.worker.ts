import { assembleStack, type Catalogue } from '@levamen/core/equipment';
import { islandOf } from '@levamen/core/design';
import {
  type OutageStudy,
  substituteOutcomes,
  suggestHolding,
  waysToMend,
} from '@levamen/core/study/details';
import { expose } from 'comlink';
import type { BackupApi } from './backup-api';

/** The island of a study and its stack. */
function prepared({ plan, islandId, parts }: OutageStudy, catalogue: Catalogue) {
  const island = islandOf(plan, islandId);
  const assembled = assembleStack(parts, catalogue, plan.supply.system);
  return island && assembled.ok ? { island, stack: assembled.stack } : null;
}

const api: BackupApi = {
  suggest: ({ plan, islandId, parts }, catalogue, simulation, limitMs) =>
    // Every search has its own time; what is simulated in between does not count.
    suggestHolding(plan, catalogue, islandId, parts, simulation, () => {
      const until = performance.now() + limitMs;
      return () => performance.now() > until;
    }),
  mend: async (study, catalogue, simulation) => {
    const of = prepared(study, catalogue);
    return of && waysToMend(study.plan, catalogue, of.island, of.stack, simulation);
  },
  substitutes: async (study, catalogue, simulation) => {
    const of = prepared(study, catalogue);
    return of ? substituteOutcomes(study.plan, of.island, of.stack, simulation) : [];
  },
};
expose(api);
