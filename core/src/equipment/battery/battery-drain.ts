import type { Battery } from '../catalogue/unit.schema.js';
import { peukertDrainW } from './peukert-drain.js';

/** What stands between the loads and the cells. */
export interface DrainPath {
  /** AC energy out over battery energy in. */
  readonly dischargeEfficiency: number;
  readonly standbyW: number;
  readonly peukert: Battery['peukert'];
}

/**
 * Charge a battery loses in each hour of the day: loads and stand-by draw, divided by the discharge efficiency, and for
 * lead-acid raised by Peukert's law.
 *
 * @param hourlyLoadWh 24 values of AC energy, Wh
 * @param path efficiency, stand-by and Peukert figures
 * @param capacityWh rated capacity, aged and at temperature, Wh; matters for lead-acid only
 */
export function batteryDrainWh(
  hourlyLoadWh: ArrayLike<number>,
  path: DrainPath,
  capacityWh: number,
): Float64Array {
  return Float64Array.from(hourlyLoadWh, (loadWh) =>
    peukertDrainW((loadWh + path.standbyW) / path.dischargeEfficiency, capacityWh, path.peukert),
  );
}
