import type { Load } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { laneOfCircuits } from './circuit-lanes.js';
import { keptLoads } from './kept-loads.js';
import { everythingRuns } from './school-facts.js';
import { unpluggedLoads } from './unplugged.js';
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

/** Switched off by somebody who walks there: a plug is pulled. */
const byHand: Standing = { lane: 'hand', shed: null };

/**
 * Where every load stands. One that is kept stands as its circuit, or as the feeder of its panel where that one is shed. One
 * that is not is dark with its circuit; on a circuit that stays on it runs along, unless the household unplugs it. A load
 * that hangs on no circuit yet runs along where everything of its house does, see {@link everythingRuns}.
 */
export function standings(
  plan: Pick<BackedUpHouse, 'survey' | 'loads' | 'backup'>,
): (load: Load) => Standing {
  const kept = keptLoads(plan);
  const unplugged = unpluggedLoads(plan);
  const looseRun = everythingRuns(plan);
  // What is kept on it keeps a circuit live, whatever was said of its lane before.
  const live = new Set(plan.loads.flatMap(({ id, circuitId }) => (kept.has(id) ? circuitId : [])));
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
  return ({ id, circuitId }) => {
    const stands = circuitId === null ? on : settle(circuitId);
    if (kept.has(id)) return stands;
    if (circuitId === null ? !looseRun : !live.has(circuitId)) return dark;
    return stands.lane === 'on' && unplugged.has(id) ? byHand : stands;
  };
}
