import type { Job } from '../job/job.schema.js';
import { settingsOf } from '../job/settings.js';
import { sumHourlyEnergyWh } from '../load/sum-hourly-energy.js';
import type { WeatherYear } from '../weather/weather-year.js';
import { hourlyArrayW } from './sun-trace.js';
import { hoursOfSeason } from './year-map.js';

/**
 * Solar energy of a mean day of the design season that the house does not use at once, Wh: hour by hour, what the arrays give
 * beyond what all loads take on a usual day with the grid. DC-coupled arrays count before the inverter.
 */
export function surplusSolarWhPerDay(job: Job, weather: WeatherYear): number {
  const season = settingsOf(job).designSeason.value;
  const houseWh = sumHourlyEnergyWh(job.loads, season);
  const arrays = job.outage.arrays.map((array) => hourlyArrayW(array, weather));
  const hours = hoursOfSeason(season, weather.latitudeDeg);
  const surplusWh = hours.reduce((sum, hour) => {
    const sunWh = arrays.reduce((all, hourly) => all + hourly[hour]!, 0);
    return sum + Math.max(0, sunWh - houseWh[hour % 24]!);
  }, 0);
  return surplusWh / (hours.length / 24);
}
