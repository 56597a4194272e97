import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { extraterrestrialDayWhPerM2 } from '../sun/extraterrestrial.js';
import { sunPosition } from '../sun/sun-position.js';
import { clearnessAt, clearnessSpread } from './clearness-distribution.js';
import { typicalClimates } from './climates.js';
import { readEpw } from './read-epw.js';
import { readWeatherFile } from './read-weather-file.js';
import { writeEpw } from './write-epw.js';
import { readTmy3 } from './read-tmy3.js';
import { syntheticYear } from './synthetic-year.js';
import { hoursOfYear, monthDays, monthOf, type WeatherYear } from './weather-year.js';
import { dailyLightWhPerM2, worstSpells } from './worst-spells.js';

const coast = typicalClimates[0]!;

const declinationDeg = (day: number): number =>
  sunPosition(Date.UTC(2001, 0, 1 + day, 12), { latitudeDeg: 0, longitudeDeg: 0, altitudeM: 0 })
    .declinationDeg;

describe('the spread of daily clearness', () => {
  it('has the mean of its month', () => {
    for (const mean of [0.3, 0.4, 0.5, 0.6, 0.7]) {
      const spread = clearnessSpread(mean);
      let sum = 0;
      for (let i = 0; i < 1000; i += 1) sum += clearnessAt((i + 0.5) / 1000, spread);
      // Herzog's correlation meets the mean within some hundredths.
      expect(Math.abs(sum / 1000 - mean), String(mean)).toBeLessThan(0.02);
    }
  });
  it('rises from the darkest day to the clearest', () => {
    const spread = clearnessSpread(0.45);
    expect(clearnessAt(0, spread)).toBeCloseTo(0.05, 9);
    expect(clearnessAt(1, spread)).toBeCloseTo(spread.highest, 9);
  });
});

describe('a synthetic year', () => {
  const year = syntheticYear(coast, 1);

  it('is the same for the same seed, and another for another', () => {
    expect(syntheticYear(coast, 1).globalWPerM2).toEqual(year.globalWPerM2);
    expect(syntheticYear(coast, 2).globalWPerM2).not.toEqual(year.globalWPerM2);
  });

  it('has the clearness and the temperature of its months over many years', () => {
    const clearness = new Float64Array(12);
    const warmth = new Float64Array(12);
    const years = 12;
    for (let seed = 1; seed <= years; seed += 1) {
      const one = syntheticYear(coast, seed);
      dailyLightWhPerM2(one).forEach((light, day) => {
        const month = monthOf(day);
        clearness[month]! +=
          light /
          extraterrestrialDayWhPerM2(day + 1, coast.latitudeDeg, declinationDeg(day)) /
          monthDays[month]!;
      });
      one.temperatureC.forEach((temperature, hour) => {
        const month = monthOf(Math.floor(hour / 24));
        warmth[month]! += temperature / (24 * monthDays[month]!);
      });
    }
    for (let month = 0; month < 12; month += 1) {
      expect(Math.abs(clearness[month]! / years - coast.clearness[month]!)).toBeLessThan(0.05);
      expect(Math.abs(warmth[month]! / years - coast.temperatureC[month]!)).toBeLessThan(1.6);
    }
  });

  it('gives no light at night, beam and diffuse that make global, and nothing impossible', () => {
    for (const climate of typicalClimates) {
      const one = syntheticYear(climate, 3);
      expect(one.globalWPerM2[0]).toBe(0);
      expect(one.globalWPerM2.every((watts) => watts >= 0 && watts < 1400)).toBe(true);
      one.diffuseWPerM2.forEach((watts, hour) => {
        expect(watts).toBeLessThanOrEqual(one.globalWPerM2[hour]! + 1e-9);
      });
    }
  });
});

describe('bad-weather spells', () => {
  it('are the darkest run of each length, over the turn of the year too', () => {
    const globalWPerM2 = new Float64Array(hoursOfYear).fill(100);
    globalWPerM2.fill(10, 364 * 24);
    globalWPerM2.fill(10, 0, 24);
    expect(worstSpells({ globalWPerM2 }, [1, 2])).toEqual([
      { days: 1, firstDay: 0, meanWhPerM2: 240 },
      { days: 2, firstDay: 364, meanWhPerM2: 240 },
    ]);
  });
  it('get lighter the longer they are', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 50 }), fc.constantFrom(...typicalClimates), (seed, climate) => {
        const means = worstSpells(syntheticYear(climate, seed), [1, 2, 3, 5, 7]).map(
          ({ meanWhPerM2 }) => meanWhPerM2,
        );
        // One day of the run is at least as dark as its mean.
        for (const mean of means) expect(mean).toBeGreaterThanOrEqual(means[0]! - 1e-9);
      }),
      { numRuns: 5 },
    );
  });
});

/** A year as the two formats write it. */
const rows = <T>(write: (month: number, day: number, hour: number, watts: number) => T): T[] =>
  monthDays.flatMap((days, month) =>
    Array.from({ length: days }, (_, day) =>
      Array.from({ length: 24 }, (_h, hour) => write(month + 1, day + 1, hour + 1, hour === 12 ? 500 : 0)),
    ).flat(),
  );
const epw = (change: (lines: string[]) => void = () => undefined): string => {
  const lines = [
    'LOCATION,Invented Harbour,-,-,made up,000000,45.1,-64.6,-4.0,12.0',
    ...Array.from({ length: 7 }, (_, i) => `HEADER ${i}`),
    ...rows(
      (month, day, hour, watts) =>
        `1999,${month},${day},${hour},60,flags,${month - 6}.5,0,80,101000,0,0,300,${watts},${watts},${watts / 5},0,0,0`,
    ),
  ];
  change(lines);
  return lines.join('\n');
};
const tmy3 = (change: (lines: string[]) => void = () => undefined): string => {
  const pad = (value: number): string => String(value).padStart(2, '0');
  const lines = [
    '000000,"INVENTED HARBOUR",XX,-4.0,45.100,-64.600,12',
    'Date (MM/DD/YYYY),Time (HH:MM),ETR (W/m^2),GHI (W/m^2),DNI (W/m^2),DHI (W/m^2),Dry-bulb (C)',
    ...rows(
      (month, day, hour, watts) =>
        `${pad(month)}/${pad(day)}/1998,${pad(hour)}:00,0,${watts},${watts},${watts / 5},${month - 6}.5`,
    ),
  ];
  change(lines);
  return lines.join('\r\n');
};
const yearOf = (read: ReturnType<typeof readEpw>): WeatherYear => {
  if (!read.ok) throw new Error(`${read.line}: ${read.message}`);
  return read.year;
};

describe('a place that cannot be', () => {
  const at = (latitude: string, longitude: string, zone: string, altitude = '12.0') => ({
    epw: readEpw(
      epw((lines) => {
        lines[0] = `LOCATION,Invented Harbour,-,-,made up,000000,${latitude},${longitude},${zone},${altitude}`;
      }),
    ),
    tmy3: readTmy3(
      tmy3((lines) => {
        lines[0] = `000000,"INVENTED HARBOUR",XX,${zone},${latitude},${longitude},${altitude}`;
      }),
    ),
  });
  it.each([
    ['90.5', '0', '0'],
    ['0', '-180.5', '0'],
    ['0', '0', '14.2'],
  ])('is refused: %s, %s, zone %s', (latitude, longitude, zone) => {
    const { epw: one, tmy3: other } = at(latitude, longitude, zone);
    expect([one.ok, other.ok]).toEqual([false, false]);
  });
  it('lies at the edge, or at a height nobody knows', () => {
    const edge = at('-90', '180', '14', '9999.9');
    expect([edge.epw.ok, edge.tmy3.ok]).toEqual([true, true]);
    expect(yearOf(edge.epw).altitudeM).toBe(0);
  });
});

describe('weather files', () => {
  it('are read alike in both formats', () => {
    const one = yearOf(readEpw(epw()));
    const other = yearOf(readTmy3(tmy3()));
    expect([one.latitudeDeg, one.longitudeDeg, one.zoneH, one.altitudeM]).toEqual([45.1, -64.6, -4, 12]);
    expect([other.latitudeDeg, other.longitudeDeg, other.zoneH, other.altitudeM]).toEqual([
      45.1, -64.6, -4, 12,
    ]);
    expect(one.globalWPerM2).toEqual(other.globalWPerM2);
    expect(one.temperatureC).toEqual(other.temperatureC);
    expect(one.globalWPerM2[12]).toBe(500);
    expect(one.diffuseWPerM2[12]).toBe(100);
    expect(one.temperatureC[31 * 24]).toBe(-4.5);
  });

  it.each<[string, string, number, string]>([
    ['another file', epw((lines) => lines.splice(0, 1)), 1, 'LOCATION'],
    [
      'a broken light',
      epw((lines) => (lines[15] = lines[15]!.replace(/,0,0,0,0,0,0$/, ',9999,0,0,0,0,0'))),
      16,
      'W/m²',
    ],
    ['a cut line', epw((lines) => (lines[100] = '1999,1,4')), 101, '3 fields'],
    ['a missing hour', epw((lines) => lines.splice(8 + 30, 1)), 8767, 'hour 7 of day 2 is missing'],
    ['an hour twice', epw((lines) => lines.push(lines[8]!)), 8769, 'there twice'],
  ])('EPW: %s is refused with its line and the reason', (_, text, line, words) => {
    const read = readEpw(text);
    expect(read).toMatchObject({ ok: false, line });
    if (!read.ok) expect(read.message).toContain(words);
  });

  it.each<[string, string, number, string]>([
    ['no station', 'hello', 1, 'station'],
    [
      'a missing column',
      tmy3((lines) => (lines[1] = lines[1]!.replace('GHI (W/m^2)', 'Other'))),
      2,
      'ghi (w/m^2)',
    ],
    [
      'a broken date',
      tmy3((lines) => (lines[2] = lines[2]!.replace('01/01/1998', '1998-01-01'))),
      3,
      '01/31/1998',
    ],
    ['no temperature', tmy3((lines) => (lines[5] = lines[5]!.replace(/,[^,]*$/, ','))), 6, 'temperature'],
  ])('TMY3: %s is refused with its line and the reason', (_, text, line, words) => {
    const read = readTmy3(text);
    expect(read).toMatchObject({ ok: false, line });
    if (!read.ok) expect(read.message).toContain(words);
  });

  it('leave out the 29th of February', () => {
    const leap = epw((lines) => {
      const march = lines.findIndex((line) => line.startsWith('1999,3,1,1,'));
      lines.splice(
        march,
        0,
        ...rows(() => '')
          .slice(0, 24)
          .map((_, hour) => `2000,2,29,${hour + 1},60,f,1,0,80,1,0,0,3,9,9,9,0,0,0`),
      );
    });
    expect(yearOf(readEpw(leap)).globalWPerM2).toEqual(yearOf(readEpw(epw())).globalWPerM2);
  });
});

describe('an EPW file written by the program', () => {
  const year = syntheticYear(typicalClimates[3]!, 5);
  it('comes back the same, to the digits of the format', () => {
    const read = readWeatherFile(writeEpw(year));
    if (!read.ok) throw new Error(`line ${read.line}: ${read.message}`);
    const { globalWPerM2, temperatureC, zoneH, latitudeDeg } = read.year;
    expect([zoneH, latitudeDeg]).toEqual([year.zoneH, year.latitudeDeg]);
    for (let hour = 0; hour < 8760; hour += 7) {
      expect(Math.abs(globalWPerM2[hour]! - year.globalWPerM2[hour]!)).toBeLessThanOrEqual(0.5);
      expect(Math.abs(temperatureC[hour]! - year.temperatureC[hour]!)).toBeLessThanOrEqual(0.051);
    }
  });
  it('marks what nobody measured as the data dictionary of the format says (recalled)', () => {
    const lines = writeEpw(year).split('\r\n');
    const first = lines.find((line) => line.startsWith('2001,1,1,1,'))!.split(',');
    expect(first).toHaveLength(35);
    const dewPointTo = ['99.9', '999', '999999', '9999', '9999', '9999'];
    const lightTo = ['999999', '999999', '999999', '9999', '999', '999', '99', '99', '9999', '99999'];
    const weatherTo = ['9', '999999999', '999', '0.999', '999', '99', '999', '999', '99'];
    expect([...first.slice(7, 13), ...first.slice(16)]).toEqual([...dewPointTo, ...lightTo, ...weatherTo]);
  });
  it('is told from other files by its first line', () => {
    const other = readWeatherFile('Name,Value\n1,2\n');
    expect(other.ok ? '' : other.message).toContain('neither an EPW file');
  });
});
