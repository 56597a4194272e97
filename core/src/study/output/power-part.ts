import { type Leg, legShare, type SupplySystem } from '../../electric/index.js';
import { type Load, runningPowerVA } from '../../house/index.js';

/** Parts of the output that have a limit of their own: all inverters, each leg, all batteries. */
export const powerParts = ['whole', 'L1', 'L2', 'L3', 'battery'] as const;
export type PowerPart = (typeof powerParts)[number];

/** What is counted on a part. */
export const unitOfPart = (part: PowerPart): 'VA' | 'W' => (part === 'battery' ? 'W' : 'VA');

export const isLeg = (part: PowerPart): part is Leg => part !== 'whole' && part !== 'battery';

const shareOn = (system: SupplySystem, load: Load, part: PowerPart): number =>
  isLeg(part) ? legShare(system, load.legs, part) : 1;

/** What one piece of a load asks of a part while it runs: VA, of the battery W. */
export const runsOn = (system: SupplySystem, load: Load, part: PowerPart): number =>
  part === 'battery' ? load.runningPowerW : runningPowerVA(load) * shareOn(system, load, part);

/**
 * What it asks while it starts, VA. How far a starting current lags is seldom known, so all of it counts as watts of the
 * battery too.
 *
 * @param startVA of the piece, see `startDemand`
 */
export const startsOn = (system: SupplySystem, load: Load, startVA: number, part: PowerPart): number =>
  startVA * shareOn(system, load, part);
