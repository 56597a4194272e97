import type { BackedUpHouse } from './backed-up-house.js';
import { keepLoads } from './kept-loads.js';

type Backed = Pick<BackedUpHouse, 'backup'>;

/** Ids of the loads that the household unplugs in an outage. */
export const unpluggedLoads = ({ backup }: Backed): ReadonlySet<string> =>
  new Set(backup.unplugged.map(({ loadId }) => loadId));

/** The plan with some loads unplugged in an outage, or left plugged in. */
export function unplug<P extends Backed>(plan: P, loadIds: Iterable<string>, unplugged: boolean): P {
  const ids = new Set(unpluggedLoads(plan));
  for (const id of loadIds) {
    if (unplugged) ids.add(id);
    else ids.delete(id);
  }
  return { ...plan, backup: { ...plan.backup, unplugged: Array.from(ids, (loadId) => ({ loadId })) } };
}

/** The plan with some loads left off: dark where their circuit is, else unplugged. */
export const leaveOff = <P extends Backed>(plan: P, loadIds: readonly string[]): P =>
  unplug(keepLoads(plan, loadIds, false), loadIds, true);
