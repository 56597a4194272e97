import { numberOf, placeHours, refuseWeather, type HourOfFile, type ReadWeather } from './weather-file.js';

/** Columns by what their heading begins with. */
const columns = {
  date: 'date (mm/dd/yyyy)',
  time: 'time (hh:mm)',
  global: 'ghi (w/m^2)',
  beam: 'dni (w/m^2)',
  diffuse: 'dhi (w/m^2)',
  temperature: 'dry-bulb (c)',
} as const;

/**
 * Reads an hourly year in the open TMY3 format: a line with the station (code, name, state, zone, latitude, longitude,
 * elevation), a line of headings, then one line an hour; times are those at which the hour ends (recalled from the users
 * manual, NREL/TP-581-43156).
 *
 * @returns the year, or the first line that is wrong and why
 */
export function readTmy3(text: string): ReadWeather {
  const lines = text.split(/\r?\n/);
  const station = (lines[0] ?? '').split(',');
  const [zoneH, latitudeDeg, longitudeDeg, altitudeM] = station.slice(3, 7).map(numberOf) as [
    number,
    number,
    number,
    number,
  ];
  if (
    station.length < 7 ||
    !(Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180 && Math.abs(zoneH) <= 14)
  ) {
    return refuseWeather(
      1,
      'The first line of a TMY3 file gives the station, its zone, latitude and longitude.',
    );
  }
  const headings = (lines[1] ?? '').split(',').map((heading) => heading.trim().toLowerCase());
  const place = new Map(Object.entries(columns).map(([key, heading]) => [key, headings.indexOf(heading)]));
  for (const [key, index] of place) {
    if (index < 0) {
      return refuseWeather(2, `The column "${columns[key as keyof typeof columns]}" is missing.`);
    }
  }
  const hours: HourOfFile[] = [];
  for (let index = 2; index < lines.length; index += 1) {
    const row = lines[index]!;
    if (row.trim() === '') continue;
    const fields = row.split(',');
    const field = (key: keyof typeof columns): string | undefined => fields[place.get(key)!];
    const date = /^(\d{1,2})\/(\d{1,2})\/\d{4}$/.exec(field('date')?.trim() ?? '');
    const time = /^(\d{1,2}):00$/.exec(field('time')?.trim() ?? '');
    if (!date || !time) {
      return refuseWeather(index + 1, 'The date should read as 01/31/1998 and the time as 01:00 to 24:00.');
    }
    hours.push({
      line: index + 1,
      month: Number(date[1]),
      day: Number(date[2]),
      hour: Number(time[1]),
      temperatureC: numberOf(field('temperature')),
      globalWPerM2: numberOf(field('global')),
      beamWPerM2: numberOf(field('beam')),
      diffuseWPerM2: numberOf(field('diffuse')),
    });
  }
  return placeHours(hours, {
    name: (station[1] ?? '').trim().replace(/^"|"$/g, '') || 'Weather file',
    latitudeDeg,
    longitudeDeg,
    zoneH,
    altitudeM: Number.isFinite(altitudeM) ? altitudeM : 0,
    source: 'TMY3 file',
  });
}
