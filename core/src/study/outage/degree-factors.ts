import { seasonOfDay, seasons, type WeatherYear } from '../../nature/index.js';
import type { LoadKind } from '../../house/index.js';

/** Outdoor temperature at which a house needs neither: the 65 °F of degree days (ASHRAE; recalled). */
const balanceC = 18.3;

const heats: readonly LoadKind[] = ['heating-appliance', 'heat-pump', 'backup-heat', 'space-heating'];
const cools: readonly LoadKind[] = ['cooling'];

/** How the use of a kind of load follows the weather. */
export const weatherUse = (kind: LoadKind): 'heating' | 'cooling' | 'none' =>
  heats.includes(kind) ? 'heating' : cools.includes(kind) ? 'cooling' : 'none';

export interface DegreeFactors {
  /** Use on a day over the mean use of its season, for each of 365 days. */
  readonly heating: Float64Array;
  readonly cooling: Float64Array;
}

/**
 * How much more or less heating and cooling run on a day than on the mean day of its season: degrees of the day's mean
 * temperature below (above) 18.3 °C over their mean in the season. What a load states is the mean day of a season, so the
 * energy of a season stays what was stated. A season without a degree keeps what was stated.
 */
export function degreeFactors({
  temperatureC,
  latitudeDeg,
}: Pick<WeatherYear, 'temperatureC' | 'latitudeDeg'>): DegreeFactors {
  const degrees = { heating: new Float64Array(365), cooling: new Float64Array(365) };
  for (let day = 0; day < 365; day += 1) {
    let sum = 0;
    for (let hour = 0; hour < 24; hour += 1) sum += temperatureC[day * 24 + hour]!;
    degrees.heating[day] = Math.max(0, balanceC - sum / 24);
    degrees.cooling[day] = Math.max(0, sum / 24 - balanceC);
  }
  const season = Array.from({ length: 365 }, (_, day) => seasonOfDay(day, latitudeDeg));
  const relative = (values: Float64Array): Float64Array => {
    const factors = new Float64Array(365).fill(1);
    for (const one of seasons) {
      const days = season.flatMap((of, day) => (of === one ? [day] : []));
      const mean = days.reduce((sum, day) => sum + values[day]!, 0) / days.length;
      if (mean > 0.1) for (const day of days) factors[day] = values[day]! / mean;
    }
    return factors;
  };
  return { heating: relative(degrees.heating), cooling: relative(degrees.cooling) };
}
