import { hoursOfYear, monthDays, monthOf, type WeatherYear } from './weather-year.js';

const headings = [
  'DESIGN CONDITIONS,0',
  'TYPICAL/EXTREME PERIODS,0',
  'GROUND TEMPERATURES,0',
  'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
];

/**
 * Writes a year in the open EnergyPlus weather format (EPW). What a year of Levamen does not know is written as missing, with
 * the codes of the format (recalled from the EnergyPlus documentation).
 */
export function writeEpw(year: WeatherYear): string {
  const place = year.name.replace(/[,\r\n]/g, ' ');
  const lines = [
    `LOCATION,${place},-,-,Levamen,0,${year.latitudeDeg.toFixed(3)},${year.longitudeDeg.toFixed(3)},${year.zoneH.toFixed(1)},${year.altitudeM.toFixed(1)}`,
    ...headings,
    `COMMENTS 1,${year.source.replace(/[\r\n]/g, ' ')}`,
    'COMMENTS 2,written by Levamen',
    'DATA PERIODS,1,1,Data,Monday,1/1,12/31',
  ];
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    const day = Math.floor(hour / 24);
    const month = monthOf(day);
    const before = monthDays.slice(0, month).reduce((sum, days) => sum + days, 0);
    const light = [year.globalWPerM2, year.beamWPerM2, year.diffuseWPerM2].map((of) => of[hour]!.toFixed(0));
    lines.push(
      [
        2001,
        month + 1,
        day - before + 1,
        (hour % 24) + 1,
        60,
        '?9',
        year.temperatureC[hour]!.toFixed(1),
        99.9,
        999,
        999999,
        9999,
        9999,
        9999,
        ...light,
        999999,
        999999,
        999999,
        9999,
        999,
        999,
        99,
        99,
        9999,
        99999,
        9,
        999999999,
        999,
        0.999,
        999,
        99,
        999,
        999,
        99,
      ].join(','),
    );
  }
  return `${lines.join('\r\n')}\r\n`;
}
