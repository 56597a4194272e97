import type { WeatherYear } from '../../nature/index.js';
import type { KnownOutage } from '../outages/known-outage.js';
import { shiftedWeather } from './shifted-weather.js';

/**
 * The weather of an outage as far as it is known: the year it really was, else the reckoned one with its days as warm as somebody says.
 *
 * @param reckoned the year that was reckoned with
 * @param fromMinute of the year
 * @returns null where nothing is known
 */
export function knownWeather(
  { weather, outage, minutes }: Pick<KnownOutage, 'weather' | 'outage' | 'minutes'>,
  reckoned: WeatherYear,
  fromMinute: number,
): WeatherYear | null {
  const year = weather ?? reckoned;
  if (outage.outdoorC !== null) return shiftedWeather(year, fromMinute, minutes, outage.outdoorC);
  return weather;
}
