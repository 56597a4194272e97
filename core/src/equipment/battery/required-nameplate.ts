import { batteryDrainWh, type DrainPath } from './battery-drain.js';
import { worstWindow } from '../../electric/index.js';

/** What turns nameplate into usable energy. */
export interface Derating {
  /** Share of the nameplate that may be used: the smaller of the depth allowed and what the unit lets out. */
  readonly window: number;
  readonly stateOfHealth: number;
  readonly temperatureFactor: number;
}

/**
 * Nameplate energy that carries a load profile for the required runtime, whenever the outage starts.
 *
 * nameplate = worst-window drain ÷ (window × state of health × temperature factor). For lead-acid the drain itself
 * depends on the nameplate (Peukert), and the smallest that suffices is found by bisection.
 *
 * @param hourlyLoadWh 24 values of AC energy, Wh
 * @param runtimeH required runtime, h
 * @returns nameplate in Wh, exact for lithium and to 0.01 Wh for lead-acid
 */
export function requiredNameplateWh(
  hourlyLoadWh: ArrayLike<number>,
  runtimeH: number,
  path: DrainPath,
  derating: Derating,
): number {
  const aged = derating.stateOfHealth * derating.temperatureFactor;
  const neededWh = (nameplateWh: number): number =>
    worstWindow(batteryDrainWh(hourlyLoadWh, path, nameplateWh * aged), runtimeH).energyWh /
    (derating.window * aged);
  const linearWh = neededWh(Infinity);
  if (path.peukert === null || linearWh === 0) return linearWh;
  let low = linearWh;
  let high = linearWh;
  while (neededWh(high) > high) high *= 2;
  while (high - low > 0.005) {
    const middle = (low + high) / 2;
    if (neededWh(middle) > middle) low = middle;
    else high = middle;
  }
  return high;
}
