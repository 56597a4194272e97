import { dayMeansC, type Season, seasonOfDay, seasons, type WeatherYear } from '../../nature/index.js';
import type { LoadKind } from '../../house/index.js';
import { stormyDays } from './hard-days.js';
import { heatPumpCopShare } from './heat-pump-cop.js';

/** Outdoor temperature at which a house needs neither: the 65 °F of degree days (ASHRAE; recalled). */
const balanceC = 18.3;
/** Below this outdoor temperature backup heat helps a heat pump: 32 °F, within the usual 25 to 40 °F (common practice, no source). */
const backupHeatBelowC = 0;

const follows: Partial<Readonly<Record<LoadKind, Exclude<WeatherUse, 'none'>>>> = {
  'heating-appliance': 'heating',
  'space-heating': 'heating',
  'heat-pump': 'heatPump',
  'backup-heat': 'backupHeat',
  cooling: 'cooling',
};

export type WeatherUse = 'heating' | 'heatPump' | 'backupHeat' | 'cooling' | 'none';

/** How the use of a kind of load follows the weather. */
export const weatherUse = (kind: LoadKind): WeatherUse => follows[kind] ?? 'none';

/** Use on a day over the mean use of its season, for each of 365 days. */
export interface DayFactors extends Readonly<Record<Exclude<WeatherUse, 'none'>, Float64Array>> {
  /** 1 on days of storm, see {@link stormyDays}. */
  readonly stormy: Uint8Array;
}

/**
 * How much more or less heating and cooling run on a day than on the mean day of its season. Heat that is needed goes with the
 * degrees of the day's mean temperature below 18.3 °C (cooling: above); a heat pump takes the more for it the lower its COP
 * in the cold, see {@link heatPumpCopShare}, and backup heat goes with the degrees below freezing. What a load states
 * is the mean day of a season, so the energy of a season stays what was stated. A season without a degree keeps what was
 * stated.
 */
export function dayFactors(
  weather: Pick<WeatherYear, 'temperatureC' | 'globalWPerM2' | 'latitudeDeg'>,
): DayFactors {
  const days = dayMeansC(weather.temperatureC);
  const season = Array.from(days, (_, day) => seasonOfDay(day, weather.latitudeDeg));
  const below = (thresholdC: number): Float64Array => days.map((meanC) => Math.max(0, thresholdC - meanC));
  const heating = below(balanceC);
  return {
    heating: relative(heating, season),
    heatPump: relative(
      heating.map((degrees, day) => degrees / heatPumpCopShare(days[day]!)),
      season,
    ),
    backupHeat: relative(below(backupHeatBelowC), season),
    cooling: relative(
      days.map((meanC) => Math.max(0, meanC - balanceC)),
      season,
    ),
    stormy: stormyDays(weather),
  };
}

/** Values of days over the mean of their season; 1 in a season that has hardly any. */
function relative(values: Float64Array, seasonOf: readonly Season[]): Float64Array {
  const factors = new Float64Array(values.length).fill(1);
  for (const one of seasons) {
    const days = seasonOf.flatMap((of, day) => (of === one ? [day] : []));
    const mean = days.reduce((sum, day) => sum + values[day]!, 0) / days.length;
    if (mean > 0.1) for (const day of days) factors[day] = values[day]! / mean;
  }
  return factors;
}
