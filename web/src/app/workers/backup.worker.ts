import type { Catalogue } from '@levamen/core/equipment';
import { benchItems, islandOf, islandPlan, stackIn } from '@levamen/core/design';
import { demandContextOf, judgeStack } from '@levamen/core/study';
import {
  itemEffects,
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
  const assembled = stackIn(plan, islandId, parts, catalogue);
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
  effects: async (plan, islandId, parts, catalogue) => {
    const island = islandOf(plan, islandId);
    if (!island) return new Map();
    const context = demandContextOf(islandPlan(plan, island));
    const assembled = parts && stackIn(plan, islandId, parts, catalogue);
    const judged = assembled?.ok ? judgeStack(context, assembled.stack) : null;
    return itemEffects(context, judged, benchItems(plan, island));
  },
  substitutes: async (study, catalogue, simulation) => {
    const of = prepared(study, catalogue);
    return of ? substituteOutcomes(study.plan, of.island, of.stack, simulation) : [];
  },
};
expose(api);
