import type { Season } from '../../nature/index.js';
import { type Leg, legShare, type Restart, type SupplySystem } from '../../electric/index.js';
import { dayParts, type Load, onShare, runningPowerVA } from '../../house/index.js';
import { restartDelayS } from '../../house/details.js';
import { startDemand } from './start-demand.js';

/**
 * The motors of a set that restart by themselves when power returns, each piece after its own delay: after a gap of minutes
 * every thermostat and float switch may be calling at once.
 *
 * @param leg null = the whole; else the part on one leg
 */
export function restartsOf(
  system: SupplySystem,
  loads: readonly Load[],
  season: Season,
  leg: Leg | null = null,
): Restart[] {
  return loads.flatMap((load) => {
    const start = startDemand(system, load);
    const share = leg === null ? 1 : legShare(system, load.legs, leg);
    const mayRun = dayParts.some((part) => onShare(load, season, part) > 0);
    if (!start || share === 0 || !mayRun) return [];
    const one: Restart = {
      loadId: load.id,
      name: load.name,
      startVA: start.startVA * share,
      runsVA: runningPowerVA(load) * share,
      durationS: start.durationS,
      atS: restartDelayS(load),
    };
    return new Array<Restart>(load.quantity).fill(one);
  });
}
