import type { SimulatedHouse } from '../../simulator/index.js';
import type { Found } from '../staged/found.js';
import { readNow } from '../staged/read-now.js';
import type { Step } from '../steps/step.js';
import { systemOfHouse } from './system-of-house.js';

/** Batteries are asked so often: two with one address take turns. */
const askedTimes = 4;

/**
 * Asks the devices of a simulated house on the grid for what a step wants to know; a known load is switched on by hand where it does.
 *
 * @returns null where only somebody at the place can tell, or only an outage
 */
export function askHouse({ probe }: Step, house: SimulatedHouse): Found | null {
  if (probe === null || probe.show === 'outage') return null;
  if (probe.show !== 'rise') return readNow(probe, systemOfHouse(house, askedTimes), null);
  // Within a minute everything else stays as it is.
  house.advance(60 - (house.second % 60));
  house.switchLoad(probe.loadId, false);
  const before = systemOfHouse(house);
  house.switchLoad(probe.loadId, true);
  house.runLoad(probe.loadId, true);
  house.advance(5);
  const found = readNow(probe, systemOfHouse(house), before);
  house.runLoad(probe.loadId, false);
  return found;
}
