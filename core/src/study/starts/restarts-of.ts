import type { Season } from '../../nature/index.js';
import type { Restart, SupplySystem } from '../../electric/index.js';
import { dayParts, type Load, onShare } from '../../house/index.js';
import { restartDelayS } from '../../house/details.js';
import { type PowerPart, runsOn, startsOn } from '../output/power-part.js';
import { startDemand } from './start-demand.js';

/**
 * The motors of a set that restart by themselves when power returns, each piece after its own delay: after a gap of minutes
 * every thermostat and float switch may be calling at once.
 *
 * @param part of the output on which they are looked at
 */
export function restartsOf(
  system: SupplySystem,
  loads: readonly Load[],
  season: Season,
  part: PowerPart = 'whole',
): Restart[] {
  return loads.flatMap((load) => {
    const start = startDemand(system, load);
    const startVA = start ? startsOn(system, load, start.startVA, part) : 0;
    const mayRun = dayParts.some((part) => onShare(load, season, part) > 0);
    if (!start || startVA === 0 || !mayRun) return [];
    const one: Restart = {
      loadId: load.id,
      name: load.name,
      startVA,
      runsVA: runsOn(system, load, part),
      durationS: start.durationS,
      atS: restartDelayS(load),
    };
    return new Array<Restart>(load.quantity).fill(one);
  });
}
