import { type Feeders, towardsGrid } from './feeders-from-grid.js';
import type { WiringPart } from './wiring-graph.js';

/**
 * The nearest part between a place and the grid whose device limits what comes, else the service drop; null where nothing is known. An isolating device
 * limits nothing.
 */
export function limitAhead(fedBy: Feeders, place: string): WiringPart | null {
  for (const { part } of towardsGrid(fedBy, place))
    if ((part.device?.ratingA && part.device.kind !== 'isolating') || part.cable?.isUtility) return part;
  return null;
}

/** Does nothing of the house stand between a place and the grid that limits what comes? */
export function isSupplySide(fedBy: Feeders, place: string): boolean {
  const ahead = limitAhead(fedBy, place);
  return ahead === null || ahead.cable?.isUtility === true;
}
