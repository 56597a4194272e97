import * as z from 'zod';
import { amountSchema, lineSchema } from '../base/index.js';
import { hoursOfYear, type WeatherYear } from '../nature/index.js';

/** What is said of a year of weather, without its hours. */
export const weatherFactsSchema = z.object({
  name: lineSchema(200),
  source: lineSchema(400),
  latitudeDeg: amountSchema(-90, 90, '°'),
  longitudeDeg: amountSchema(-180, 180, '°'),
  altitudeM: amountSchema(-500, 9000, 'm'),
  zoneH: amountSchema(-14, 14, 'h'),
});

/** A year of weather the server keeps, without its hours. */
export const savedWeatherSchema = z.strictObject({ id: z.uuid(), ...weatherFactsSchema.shape });
export type SavedWeather = z.infer<typeof savedWeatherSchema>;
export const savedWeatherListSchema = z.array(savedWeatherSchema);

const hours = z.array(z.number()).length(hoursOfYear);

/** A year of weather with its hours. */
export const weatherHoursSchema = savedWeatherSchema.extend({
  globalWPerM2: hours,
  beamWPerM2: hours,
  diffuseWPerM2: hours,
  temperatureC: hours,
});
export type WeatherHours = z.infer<typeof weatherHoursSchema>;

/** The year as the calculations want it. */
export const weatherYearOf = ({ id: _, ...facts }: WeatherHours): WeatherYear => ({
  ...facts,
  globalWPerM2: Float64Array.from(facts.globalWPerM2),
  beamWPerM2: Float64Array.from(facts.beamWPerM2),
  diffuseWPerM2: Float64Array.from(facts.diffuseWPerM2),
  temperatureC: Float64Array.from(facts.temperatureC),
});
