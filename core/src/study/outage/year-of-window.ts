import type { WeatherYear } from '../../nature/index.js';
import { dayFactors } from './day-factors.js';
import type { YearSource } from './kept-year.js';
import { loadCycles } from './load-cycles.js';
import { minutesOfDay } from './minutes.js';
import { hourlyArrayW, sunTrace } from './sun-trace.js';

const hoursOfDay = 24;

/**
 * A year of weather of which one window is looked at only: the sun of all other days, which costs most of the time, is not worked out. In the window
 * everything is as in {@link KeptYear}.
 *
 * @param seed chooses the moments of switching
 * @param fromMinute of the year
 */
export function yearOfWindow(
  weather: WeatherYear,
  seed: number,
  fromMinute: number,
  minutes: number,
): YearSource {
  const factors = dayFactors(weather);
  const days = weather.globalWPerM2.length / hoursOfDay;
  const lit = new Uint8Array(days);
  // The minutes at either end are between two hours.
  const [first, last] = [fromMinute - minutesOfDay, fromMinute + minutes + minutesOfDay];
  for (let day = Math.floor(first / minutesOfDay); day <= Math.floor(last / minutesOfDay); day += 1)
    lit[((day % days) + days) % days] = 1;
  const dimmed = {
    ...weather,
    globalWPerM2: weather.globalWPerM2.map((watts, hour) => (lit[Math.floor(hour / hoursOfDay)] ? watts : 0)),
  };
  return {
    weather: () => weather,
    factors,
    cyclesOf: (load, useFactor) => loadCycles(load, seed, weather.latitudeDeg, factors, useFactor),
    sun: (arrays, snow, limits) => sunTrace(arrays, limits, (array) => hourlyArrayW(array, dimmed, snow)),
  };
}
