import type { WeatherYear } from '../../nature/index.js';

const hoursOfDay = 24;

/** Mean outdoor temperature of a stretch of a year, °C. */
export function meanOutdoorC({ temperatureC }: WeatherYear, fromMinute: number, minutes: number): number {
  const first = Math.floor(fromMinute / 60);
  const count = Math.max(1, Math.ceil(minutes / 60));
  let sum = 0;
  for (let hour = first; hour < first + count; hour += 1) sum += temperatureC[hour % temperatureC.length]!;
  return sum / count;
}

/** A year of weather with whole days around a stretch as warm as it was there: their course stays, their mean is moved. */
export function shiftedWeather(
  weather: WeatherYear,
  fromMinute: number,
  minutes: number,
  meanC: number,
): WeatherYear {
  const byC = meanC - meanOutdoorC(weather, fromMinute, minutes);
  const temperatureC = weather.temperatureC.slice();
  const hours = temperatureC.length;
  const first = Math.floor(fromMinute / 60 / hoursOfDay) * hoursOfDay;
  const last = Math.ceil((fromMinute + minutes) / 60 / hoursOfDay) * hoursOfDay;
  for (let hour = first; hour < last; hour += 1) temperatureC[hour % hours]! += byC;
  return { ...weather, temperatureC, name: `${weather.name}, as warm as it was` };
}
