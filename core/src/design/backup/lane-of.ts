import type { Load } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { laneOfCircuits } from './circuit-lanes.js';
import { keptLoads } from './kept-loads.js';
import { type CircuitLane, type Lane, type Shed, usualShed } from './lane.schema.js';

/** Where a load stands in an outage, and how it is shed. */
export interface Standing {
  readonly lane: Lane;
  /** null in every lane but "auto". */
  readonly shed: Shed | null;
}

const on: Standing = { lane: 'on', shed: null };
const dark: Standing = { lane: 'dark', shed: null };

/** Where a circuit itself stands. */
export const standingOf = ({ lane, shed }: Pick<CircuitLane, 'lane' | 'shed'>): Standing => ({
  lane,
  shed: lane === 'auto' ? (shed ?? usualShed) : null,
});

/**
 * Where every load stands. A load that is not kept is dark; one that is stands as its circuit, or as the feeder of its panel
 * where that one is shed.
 */
export function standings(plan: Pick<BackedUpHouse, 'survey' | 'backup'>): (load: Load) => Standing {
  const kept = keptLoads(plan);
  if (plan.backup.lanes.every(({ lane }) => lane === 'on' || lane === 'dark'))
    return ({ id }) => (kept.has(id) ? on : dark);
  const laneOf = laneOfCircuits(plan);
  const { panels } = plan.survey;
  const panelOf = new Map(panels.flatMap((panel) => panel.circuits.map(({ id }) => [id, panel] as const)));
  const settle = (circuitId: string, depth = 0): Standing => {
    const own = standingOf(laneOf(circuitId));
    const fedFrom = panelOf.get(circuitId)?.fedFrom;
    const above =
      fedFrom?.kind === 'circuit' && depth < panels.length ? settle(fedFrom.circuitId, depth + 1) : on;
    const shed = above.lane === 'auto' || above.lane === 'hand' ? above : own;
    return shed.lane === 'dark' ? on : shed;
  };
  return ({ id, circuitId }) => (!kept.has(id) ? dark : circuitId === null ? on : settle(circuitId));
}
