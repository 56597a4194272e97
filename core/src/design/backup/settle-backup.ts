import type { BackedUpHouse } from './backed-up-house.js';
import type { Isolation, ServiceBackup } from './backup.schema.js';
import { islandsOf, unsurveyedIslandId } from './islands.js';
import { islandIdsOf } from './isolation-points.js';
import { serviceBackup } from './service-backup.js';
import { settleLanes } from './settle-lanes.js';

/** A point of isolation without a panel that is gone. */
function settleIsolation(isolation: Isolation, panels: ReadonlySet<string>): Isolation {
  if (isolation.at === 'mains') {
    const mains = isolation.mains.filter(({ panelId }) => panels.has(panelId));
    if (mains.length === isolation.mains.length) return isolation;
    return mains.length === 0 ? { at: 'service' } : { at: 'mains', mains };
  }
  if (isolation.at === 'service' || isolation.panelId === null || panels.has(isolation.panelId))
    return isolation;
  return isolation.at === 'feeder' ? { at: 'feeder', panelId: null } : { at: 'service' };
}

/** Drops what is said about services and panels that are gone. */
function settleServices<P extends BackedUpHouse>(plan: P): P {
  const { backup, survey } = plan;
  const services = new Set(survey.services.map(({ id }) => id));
  const panels = new Set(survey.panels.map(({ id }) => id));
  const settled = backup.services.flatMap((said): ServiceBackup[] => {
    if (!services.has(said.serviceId)) return [];
    const isolation = settleIsolation(said.isolation, panels);
    return [isolation === said.isolation ? said : { ...said, isolation }];
  });
  const isSettled =
    settled.length === backup.services.length && settled.every((said, i) => said === backup.services[i]);
  return isSettled ? plan : { ...plan, backup: { ...backup, services: settled } };
}

/** Drops stacks of islands that are gone. The stack of a house without survey goes to the first island once there is one. */
function settleStacks<P extends BackedUpHouse>(plan: P): P {
  const { equipment, survey } = plan;
  // An island that is not backed up for the moment keeps its stack.
  const known = new Set(survey.services.flatMap(({ id }) => islandIdsOf(serviceBackup(plan, id))));
  if (survey.services.length === 0) known.add(unsurveyedIslandId);
  const first = islandsOf(plan)[0]?.id;
  const taken = new Set(equipment.stacks.map(({ islandId }) => islandId));
  const stacks = equipment.stacks.flatMap((stack) => {
    if (known.has(stack.islandId)) return [stack];
    const moves = stack.islandId === unsurveyedIslandId && first !== undefined && !taken.has(first);
    return moves ? [{ ...stack, islandId: first }] : [];
  });
  const isSettled =
    stacks.length === equipment.stacks.length && stacks.every((one, i) => one === equipment.stacks[i]);
  return isSettled ? plan : { ...plan, equipment: { ...equipment, stacks } };
}

/** The plan with lanes in agreement with what is kept, and nothing said about services, panels and islands that are gone. */
export const settleBackup = <P extends BackedUpHouse>(plan: P): P =>
  settleStacks(settleServices(settleLanes(plan)));
