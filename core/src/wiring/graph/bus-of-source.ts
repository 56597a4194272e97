import type { IslandPlaces } from './add-island.js';
import type { Feeds } from './add-services.js';

/**
 * The busbar a source comes in on: that of its circuit; of the first island where nobody has said, or the circuit is gone.
 *
 * @returns null where the house has none yet
 */
export function busOfSource(
  feeds: Feeds,
  [first]: readonly IslandPlaces[],
  circuitId: string | null,
): string | null {
  if (circuitId === null) return first?.loadsPanel ?? first?.joins ?? null;
  return feeds.busOf(circuitId) ?? first?.joins ?? null;
}
