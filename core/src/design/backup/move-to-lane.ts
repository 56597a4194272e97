import type { BackedUpHouse } from './backed-up-house.js';
import { changeLanes, laneOfCircuits } from './circuit-lanes.js';
import { keepLoads } from './kept-loads.js';
import { type Lane, type Shed, usualShed } from './lane.schema.js';
import { movesWith } from './move-groups.js';
import { unplug } from './unplugged.js';
import { settleLanes } from './settle-lanes.js';

/** What is moved: circuits, and loads that hang on no circuit. */
export interface Moving {
  readonly circuitIds: readonly string[];
  readonly loadIds: readonly string[];
}

/**
 * Moves circuits to a lane, with those they share a neutral with and everything behind a feeder. All loads of a circuit that
 * comes out of the dark are kept, none of one that goes dark is. A load without a circuit cannot be shed by a device: it stays on
 * or dark, or is unplugged by hand.
 */
export function moveToLane<P extends BackedUpHouse>(plan: P, { circuitIds, loadIds }: Moving, lane: Lane): P {
  const moving = movesWith(plan, circuitIds);
  const loose = new Set(loadIds);
  const laneOf = laneOfCircuits(plan);
  const moved = changeLanes(plan, moving, ({ shed }) => ({
    lane,
    shed: lane === 'auto' ? (shed ?? { ...usualShed }) : shed,
  }));
  const changing = plan.loads.filter(({ circuitId }) => {
    return (
      circuitId !== null && moving.has(circuitId) && (lane === 'dark' || laneOf(circuitId).lane === 'dark')
    );
  });
  const looseLoads = plan.loads.filter((load) => load.circuitId === null && loose.has(load.id));
  const pulled = unplug(
    moved,
    looseLoads.map(({ id }) => id),
    lane === 'hand',
  );
  return settleLanes(
    keepLoads(
      keepLoads(
        pulled,
        changing.map(({ id }) => id),
        lane !== 'dark',
      ),
      looseLoads.map(({ id }) => id),
      lane === 'on',
    ),
  );
}

/** The plan with the way some circuits are shed changed. */
export const changeShed = <P extends BackedUpHouse>(
  plan: P,
  circuitIds: readonly string[],
  change: Partial<Shed>,
): P =>
  changeLanes(plan, circuitIds, ({ lane, shed }) => ({ lane, shed: { ...(shed ?? usualShed), ...change } }));
