/** Hours of a year of 365 days; the 29th of February is left out. */
export const hoursOfYear = 8760;

/** Days of each month, January first. */
export const monthDays = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** A year of weather by the hour, in the standard time of the place. Hour 0 is midnight to one on the 1st of January. */
export interface WeatherYear {
  readonly name: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly altitudeM: number;
  /** Standard time of the place ahead of universal time, h. */
  readonly zoneH: number;
  /** Mean of each hour on a horizontal plane, W/m². */
  readonly globalWPerM2: Float64Array;
  /** Mean of each hour on a plane that faces the sun, W/m². */
  readonly beamWPerM2: Float64Array;
  /** Mean of each hour from the sky without the sun, on a horizontal plane, W/m². */
  readonly diffuseWPerM2: Float64Array;
  readonly temperatureC: Float64Array;
  /** Where it comes from, in words. */
  readonly source: string;
}

/** Month (0 to 11) of a day of the year (0 to 364). */
export function monthOf(day: number): number {
  let left = day;
  for (let month = 0; month < 12; month += 1) {
    if (left < monthDays[month]!) return month;
    left -= monthDays[month]!;
  }
  return 11;
}

/** Moment of an hour's middle in a common year, ms since 1970 in universal time. */
export const midHourMs = (hour: number, zoneH: number): number =>
  Date.UTC(2001, 0, 1) + (hour + 0.5 - zoneH) * 3_600_000;
