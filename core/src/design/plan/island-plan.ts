import type { Island } from '../backup/islands.js';
import { withSoftStarts } from '../backup/soft-starters.js';
import type { Plan } from './plan.js';

/** A plan as one island sees it: its loads as they start, its sources, its stack. A plan of one island without soft starters is itself. */
export function islandPlan(whole: Plan, island: Island): Plan {
  const plan = withSoftStarts(whole);
  const circuits = new Set(island.panels.flatMap(({ circuits: all }) => all.map(({ id }) => id)));
  const isHere = ({ circuitId }: { readonly circuitId: string | null }): boolean =>
    circuitId === null ? island.first : circuits.has(circuitId);
  const { sources, equipment } = plan;
  const loads = plan.loads.filter(isHere);
  const arrays = sources.arrays.filter(isHere);
  const generator = sources.generator && isHere(sources.generator) ? sources.generator : null;
  const vehicle = sources.vehicle && isHere(sources.vehicle) ? sources.vehicle : null;
  const stacks = equipment.stacks.filter(({ islandId }) => islandId === island.id);
  // Of units alone: boxes are no concern of one source.
  const placed = plan.placement.placed.filter(
    ({ thingId }) => !thingId.startsWith('unit:') || thingId.startsWith(`unit:${island.id}:`),
  );
  const isWhole =
    island.first &&
    loads.length === plan.loads.length &&
    arrays.length === sources.arrays.length &&
    generator === sources.generator &&
    vehicle === sources.vehicle &&
    stacks.length === equipment.stacks.length &&
    placed.length === plan.placement.placed.length;
  if (isWhole) return plan;
  return {
    ...plan,
    loads,
    // Additions are planned for the house; the first source carries them.
    brief: island.first ? plan.brief : { ...plan.brief, plannedAdditions: [] },
    sources: { ...sources, arrays, generator, vehicle },
    equipment: { ...equipment, stacks },
    placement: { ...plan.placement, placed },
  };
}
