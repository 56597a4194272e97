import type { Load } from '../../house/index.js';
import type { BackedUpHouse } from './backed-up-house.js';
import { keptLoads } from './kept-loads.js';
import { standings } from './lane-of.js';

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
  const standing = standings(plan);
  return (load) => {
    if (kept.has(load.id)) return 'kept';
    const { lane } = standing(load);
    if (lane === 'dark') return 'dark';
    return lane === 'hand' && plan.backup.unplugged.some(({ loadId }) => loadId === load.id)
      ? 'unplugged'
      : 'along';
  };
}
