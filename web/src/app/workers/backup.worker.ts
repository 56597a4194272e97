import { assembleStack, type Catalogue } from '@levamen/core/equipment';
import { islandOf } from '@levamen/core/design';
import {
  type OutageStudy,
  Simulation,
  substituteOutcomes,
  suggestHolding,
  waysToMend,
} from '@levamen/core/study';
import { expose } from 'comlink';
import type { BackupApi } from './backup-api';

/** The island of a study, its stack, and the simulation that answers for it. */
function prepared({ plan, islandId, parts, weather }: OutageStudy, catalogue: Catalogue) {
  const island = islandOf(plan, islandId);
  const assembled = assembleStack(parts, catalogue, plan.supply.system);
  if (!island || !assembled.ok) return null;
  return { island, stack: assembled.stack, simulation: new Simulation(plan, catalogue, islandId, weather) };
}

const api: BackupApi = {
  suggest: (study, catalogue, limitMs) => {
    const { plan, islandId, parts, weather } = study;
    const simulation = new Simulation(plan, catalogue, islandId, weather);
    // Every search has its own time; what is simulated in between does not count.
    return suggestHolding(plan, catalogue, islandId, parts, simulation, () => {
      const until = performance.now() + limitMs;
      return () => performance.now() > until;
    });
  },
  mend: async (study, catalogue) => {
    const of = prepared(study, catalogue);
    return of && waysToMend(study.plan, catalogue, of.island, of.stack, of.simulation);
  },
  substitutes: (study, catalogue) => {
    const of = prepared(study, catalogue);
    return of ? substituteOutcomes(study.plan, of.island, of.stack, of.simulation) : [];
  },
};
expose(api);
