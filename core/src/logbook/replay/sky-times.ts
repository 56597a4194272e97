import { dailyLightWhPerM2, type WeatherYear } from '../../nature/index.js';
import type { LoggedOutage } from '../../house/index.js';

/** Days before and after, of which the sky of a day is one. */
const aroundDays = 20;
/** Of these days, the light of a clear, a mixed and a dull one (common practice, no source): share of the days with less. */
const rank: Readonly<Record<NonNullable<LoggedOutage['sky']>, number>> = {
  clear: 0.9,
  mixed: 0.5,
  dull: 0.1,
};

/** How many times the light of a day in a year of weather a day had of which only the sky is known. */
export function skyTimes(weather: WeatherYear, day: number, sky: NonNullable<LoggedOutage['sky']>): number {
  const light = dailyLightWhPerM2(weather);
  const around = Array.from(
    { length: 2 * aroundDays + 1 },
    (_, index) => light[(day - aroundDays + index + light.length) % light.length]!,
  ).toSorted((a, b) => a - b);
  const own = light[day % light.length]!;
  return own > 0 ? around[Math.round(rank[sky] * (around.length - 1))]! / own : 1;
}
