import { chosenFor, type Island } from '../backup/islands.js';
import type { Plan } from './plan.js';

/** A plan as one island sees it: its loads, and its stack. A plan of one island is itself. */
export function islandPlan(plan: Plan, island: Island): Plan {
  const circuits = new Set(island.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const mine = plan.loads.filter(({ circuitId }) =>
    circuitId === null ? island.first : circuits.has(circuitId),
  );
  if (island.first && mine.length === plan.loads.length) return plan;
  const chosen = chosenFor(plan, island);
  return {
    ...plan,
    loads: mine,
    // Additions are planned for the house; the first source carries them.
    brief: island.first ? plan.brief : { ...plan.brief, plannedAdditions: [] },
    design: { chosen: chosen === null ? null : [...chosen], others: [] },
  };
}
