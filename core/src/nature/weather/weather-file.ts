import { hoursOfYear, type WeatherYear } from './weather-year.js';

export type ReadWeather =
  | { readonly ok: true; readonly year: WeatherYear }
  | { readonly ok: false; readonly line: number; readonly message: string };

export const refuseWeather = (line: number, message: string): ReadWeather => ({ ok: false, line, message });

/** One hour as a file gives it. */
export interface HourOfFile {
  readonly line: number;
  readonly month: number;
  readonly day: number;
  /** 1 to 24: the hour that ends then. */
  readonly hour: number;
  readonly globalWPerM2: number;
  readonly beamWPerM2: number;
  readonly diffuseWPerM2: number;
  readonly temperatureC: number;
}

const starts = [0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334] as const;
const most = { light: 1500, coldC: -70, warmC: 70 };

/**
 * Puts the hours of a file in their places. Every hour of a year of 365 days must be there once; the 29th of February is left
 * out.
 */
export function placeHours(
  hours: readonly HourOfFile[],
  facts: Pick<WeatherYear, 'name' | 'latitudeDeg' | 'longitudeDeg' | 'altitudeM' | 'zoneH' | 'source'>,
): ReadWeather {
  const year: WeatherYear = {
    ...facts,
    globalWPerM2: new Float64Array(hoursOfYear),
    beamWPerM2: new Float64Array(hoursOfYear),
    diffuseWPerM2: new Float64Array(hoursOfYear),
    temperatureC: new Float64Array(hoursOfYear),
  };
  const seen = new Uint8Array(hoursOfYear);
  for (const one of hours) {
    const { line, month, day, hour } = one;
    if (!(month >= 1 && month <= 12 && day >= 1 && day <= 31 && hour >= 1 && hour <= 24)) {
      return refuseWeather(line, 'The date or hour cannot be read; hours run from 1 to 24.');
    }
    if (month === 2 && day === 29) continue;
    const light = [one.globalWPerM2, one.beamWPerM2, one.diffuseWPerM2];
    if (light.some((watts) => !(watts >= 0 && watts <= most.light))) {
      return refuseWeather(
        line,
        `Light must be between 0 and ${most.light} W/m²; is it missing in this hour?`,
      );
    }
    if (!(one.temperatureC >= most.coldC && one.temperatureC <= most.warmC)) {
      return refuseWeather(line, `The temperature must be between ${most.coldC} and ${most.warmC} °C.`);
    }
    const at = (starts[month - 1]! + day - 1) * 24 + hour - 1;
    if (at >= hoursOfYear) return refuseWeather(line, 'This day does not exist.');
    if (seen[at]) return refuseWeather(line, 'This hour is there twice.');
    seen[at] = 1;
    year.globalWPerM2[at] = one.globalWPerM2;
    year.beamWPerM2[at] = one.beamWPerM2;
    year.diffuseWPerM2[at] = one.diffuseWPerM2;
    year.temperatureC[at] = one.temperatureC;
  }
  const missing = seen.indexOf(0);
  if (missing >= 0) {
    return refuseWeather(
      hours.at(-1)?.line ?? 1,
      `The file does not hold a whole year: hour ${(missing % 24) + 1} of day ${Math.floor(missing / 24) + 1} is missing.`,
    );
  }
  return { ok: true, year };
}

/** A field as a number; NaN where it is none. */
export const numberOf = (text: string | undefined): number =>
  text === undefined || text.trim() === '' ? NaN : Number(text);
