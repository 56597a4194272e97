import type { Stack } from '../../equipment/index.js';
import { type Island, islandsOf, type Plan } from '../../design/index.js';
import { addAccessories } from './add-accessories.js';
import { addArrays } from './add-arrays.js';
import { addBonds } from './add-bonds.js';
import { addGenerator } from './add-generator.js';
import { addIsland } from './add-island.js';
import { addServices } from './add-services.js';
import { GraphBuilder } from './graph-builder.js';
import type { WiringGraph } from './wiring-graph.js';

/** The stack that feeds an island; null = none is chosen yet. */
export type StackOf = (island: Island) => Stack | null;

/**
 * The wiring of a design, from the meters to the busbars and sources: derived from survey, backup, sources and equipment, with defaults for what
 * nobody has said, each marked. Branch circuits hang on their busbars and are not in it.
 */
export function deriveWiring(plan: Plan, stackOf: StackOf): WiringGraph {
  const builder = new GraphBuilder(plan);
  const islands = islandsOf(plan);
  const feeds = addServices(builder);
  const placed = islands.map((island) => addIsland(builder, feeds, island, stackOf(island)));
  feeds.finish();
  addArrays(builder, feeds, placed);
  addGenerator(builder, feeds, placed);
  addBonds(builder, placed);
  addAccessories(builder, feeds, placed);
  const known = new Map(builder.handles.map(({ id, positions }) => [id, positions]));
  for (const { id, forbids } of plan.wiring.interlocks) {
    // Of a handle that is gone nothing is forbidden any more.
    if (forbids.every(({ handle, position }) => known.get(handle)?.includes(position)))
      builder.interlocks.push({ id, name: 'Interlock', forbids });
  }
  return builder.build();
}
