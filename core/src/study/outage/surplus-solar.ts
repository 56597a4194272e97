import type { WeatherYear } from '../../nature/index.js';
import { sumHourlyEnergyWh } from '../../house/index.js';
import { type Plan, settingsOf } from '../../design/index.js';
import { hourlyArrayW } from './sun-trace.js';
import { hoursOfSeason } from './year-map.js';

/**
 * Solar energy of a mean day of the design season that the house does not use at once, Wh: hour by hour, what the arrays give
 * beyond what all loads take on a usual day with the grid. DC-coupled arrays count before the inverter.
 */
export function surplusSolarWhPerDay(plan: Plan, weather: WeatherYear): number {
  const season = settingsOf(plan).designSeason.value;
  const houseWh = sumHourlyEnergyWh(plan.loads, season);
  const arrays = plan.sources.arrays.map((array) => hourlyArrayW(array, weather));
  const hours = hoursOfSeason(season, weather.latitudeDeg);
  const surplusWh = hours.reduce((sum, hour) => {
    const sunWh = arrays.reduce((all, hourly) => all + hourly[hour]!, 0);
    return sum + Math.max(0, sunWh - houseWh[hour % 24]!);
  }, 0);
  return surplusWh / (hours.length / 24);
}
