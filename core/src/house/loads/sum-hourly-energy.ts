import { hourlyEnergyWh } from './hourly-energy.js';
import type { Load } from './load.schema.js';
import type { Season } from '../../nature/index.js';

/** Energy of several loads in each clock hour of a day of the season: 24 values in Wh. */
export function sumHourlyEnergyWh(loads: readonly Load[], season: Season): Float64Array {
  const sum = new Float64Array(24);
  for (const load of loads) {
    const one = hourlyEnergyWh(load, season);
    for (let hour = 0; hour < 24; hour += 1) sum[hour]! += one[hour]!;
  }
  return sum;
}
