import type { WeatherYear } from '../../nature/index.js';
import { meanOutdoorC } from '../replay/shifted-weather.js';
import { skyTimes } from '../replay/sky-times.js';
import type { DayAhead } from './houses-question.schema.js';

const hoursOfDay = 24;
const minutesOfDay = 24 * 60;

/**
 * A year of weather with some days as they are said to be: their course over the day stays, their mean temperature and their light are
 * brought to what is said. The rest of the year stays, since what a day is like is told by its neighbours.
 *
 * @param fromMinute of the year, when the outage begins: on the first of the days
 */
export function weatherAhead(
  weather: WeatherYear,
  fromMinute: number,
  days: readonly DayAhead[],
): WeatherYear {
  const hours = weather.temperatureC.length;
  const yearDays = hours / hoursOfDay;
  const firstDay = Math.floor(fromMinute / minutesOfDay);
  const temperatureC = weather.temperatureC.slice();
  const light = {
    globalWPerM2: weather.globalWPerM2.slice(),
    beamWPerM2: weather.beamWPerM2.slice(),
    diffuseWPerM2: weather.diffuseWPerM2.slice(),
  };
  for (const [ahead, { sky, outdoorC }] of days.entries()) {
    const day = (firstDay + ahead) % yearDays;
    const firstHour = day * hoursOfDay;
    const times = sky ? skyTimes(weather, day, sky) : 1;
    for (const name of ['globalWPerM2', 'beamWPerM2', 'diffuseWPerM2'] as const)
      for (let hour = firstHour; hour < firstHour + hoursOfDay; hour += 1)
        light[name][hour] = weather[name][hour]! * times;
    if (outdoorC === null) continue;
    const byC = outdoorC - meanOutdoorC(weather, day * minutesOfDay, minutesOfDay);
    for (let hour = firstHour; hour < firstHour + hoursOfDay; hour += 1)
      temperatureC[hour] = weather.temperatureC[hour]! + byC;
  }
  return { ...weather, ...light, temperatureC };
}
