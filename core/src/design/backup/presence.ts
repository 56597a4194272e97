import type { Load } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { keptLoads } from './kept-loads.js';
import { standings } from './lane-of.js';
import { unpluggedLoads } from './unplugged.js';

/**
 * What becomes of a load in an outage: it is kept; it runs along because what feeds it stays on; the household unplugs it; or it is
 * dark.
 */
export type Presence = 'kept' | 'along' | 'unplugged' | 'dark';

/** What becomes of each load of a plan in an outage. */
export function presences(
  plan: Pick<BackedUpHouse, 'survey' | 'loads' | 'backup'>,
): (load: Load) => Presence {
  const kept = keptLoads(plan);
  const unplugged = unpluggedLoads(plan);
  const standing = standings(plan);
  return (load) => {
    if (kept.has(load.id)) return 'kept';
    const { lane } = standing(load);
    if (lane === 'dark') return 'dark';
    return lane === 'hand' && unplugged.has(load.id) ? 'unplugged' : 'along';
  };
}

/** Ids of the loads that run in an outage, at least until somebody unplugs or sheds them. */
export function runningLoads(plan: Pick<BackedUpHouse, 'survey' | 'loads' | 'backup'>): ReadonlySet<string> {
  const standing = standings(plan);
  return new Set(plan.loads.filter((load) => standing(load).lane !== 'dark').map(({ id }) => id));
}
