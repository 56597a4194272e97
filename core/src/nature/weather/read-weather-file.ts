import { readEpw } from './read-epw.js';
import { readTmy3 } from './read-tmy3.js';
import { refuseWeather, type ReadWeather } from './weather-file.js';

/** Reads an hourly year of weather in EPW or TMY3 format, by how its first line begins. */
export function readWeatherFile(text: string): ReadWeather {
  const first = text.slice(0, 400).split(/\r?\n/)[0] ?? '';
  if (/^\uFEFF?LOCATION,/i.test(first)) return readEpw(text.replace(/^\uFEFF/, ''));
  if (first.split(',').length >= 7) return readTmy3(text);
  return refuseWeather(
    1,
    'This is neither an EPW file (it begins with LOCATION) nor a TMY3 file (it begins with the station). Choose another file.',
  );
}
