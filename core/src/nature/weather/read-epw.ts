import { numberOf, placeHours, refuseWeather, type HourOfFile, type ReadWeather } from './weather-file.js';

const headerLines = 8;

/**
 * Reads an hourly year in the open EnergyPlus weather format (EPW): eight header lines of which the first is LOCATION, then
 * one line an hour. Fields by their place: 2 month, 3 day, 4 hour (1 to 24), 7 dry-bulb temperature, 14 global, 15 direct
 * normal, 16 diffuse horizontal (counted from 1; recalled from the EnergyPlus documentation).
 *
 * @returns the year, or the first line that is wrong and why
 */
export function readEpw(text: string): ReadWeather {
  const lines = text.split(/\r?\n/);
  const location = (lines[0] ?? '').split(',');
  if (location[0]?.trim().toUpperCase() !== 'LOCATION') {
    return refuseWeather(1, 'An EPW file begins with a line LOCATION; choose another file.');
  }
  const [latitudeDeg, longitudeDeg, zoneH, altitudeM] = location.slice(6, 10).map(numberOf) as [
    number,
    number,
    number,
    number,
  ];
  if (!(Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180 && Math.abs(zoneH) <= 14)) {
    return refuseWeather(1, 'Latitude, longitude and time zone cannot be read.');
  }
  const hours: HourOfFile[] = [];
  for (let index = headerLines; index < lines.length; index += 1) {
    const row = lines[index]!;
    if (row.trim() === '') continue;
    const fields = row.split(',');
    if (fields.length < 16)
      return refuseWeather(index + 1, `There are ${fields.length} fields; 35 are usual.`);
    const at = (place: number): number => numberOf(fields[place - 1]);
    hours.push({
      line: index + 1,
      month: at(2),
      day: at(3),
      hour: at(4),
      temperatureC: at(7),
      globalWPerM2: at(14),
      beamWPerM2: at(15),
      diffuseWPerM2: at(16),
    });
  }
  return placeHours(hours, {
    name: (location[1] ?? '').trim() || 'Weather file',
    latitudeDeg,
    longitudeDeg,
    zoneH,
    // 9999.9 says that nobody knows it.
    altitudeM: Number.isFinite(altitudeM) && altitudeM !== 9999.9 ? altitudeM : 0,
    source: 'EPW file',
  });
}
