const degree = Math.PI / 180;

const wrap360 = (deg: number): number => ((deg % 360) + 360) % 360;
const sin = (deg: number): number => Math.sin(deg * degree);
const cos = (deg: number): number => Math.cos(deg * degree);

/** Where the sun stands. */
export interface SunPosition {
  /** From straight up, as seen through the air, degrees; above 90 it is below the horizon. */
  readonly zenithDeg: number;
  /** Clockwise from north, degrees, 0 to 360. */
  readonly azimuthDeg: number;
  readonly declinationDeg: number;
}

/** A place on the ground. */
export interface Place {
  /** North is positive. */
  readonly latitudeDeg: number;
  /** East is positive. */
  readonly longitudeDeg: number;
  readonly altitudeM: number;
}

/**
 * Terrestrial time minus universal time, s. Polynomial of Espenak and Meeus for 2005 to 2050 (recalled); a few seconds off
 * matter nothing for the sun.
 */
const deltaTS = (year: number): number => 62.92 + 0.32217 * (year - 2000) + 0.005589 * (year - 2000) ** 2;

/** Refraction of the air near the horizon, degrees: Bennett's formula with pressure and temperature (recalled). */
export function refractionDeg(elevationDeg: number, pressureHPa: number, temperatureC: number): number {
  if (elevationDeg < -0.85) return 0;
  return (
    (((pressureHPa / 1010) * 283) / (273 + temperatureC)) *
    (1.02 / (60 * Math.tan((elevationDeg + 10.3 / (elevationDeg + 5.11)) * degree)))
  );
}

/** Pressure of the standard atmosphere at an altitude, hPa (ISO 2533, recalled). */
export const standardPressureHPa = (altitudeM: number): number =>
  1013.25 * (1 - 2.25577e-5 * altitudeM) ** 5.25588;

/**
 * Position of the sun at a moment: ecliptic longitude by Meeus, Astronomical Algorithms, chapter 25 (low accuracy, some
 * 0.01°; recalled), nutation and aberration included, parallax and refraction added.
 *
 * @param timeMs moment, milliseconds since 1970 in universal time; good for some decades around the year 2000
 * @param air pressure and temperature; the standard atmosphere and 10 °C where nothing is said
 */
export function sunPosition(
  timeMs: number,
  { latitudeDeg, longitudeDeg, altitudeM }: Place,
  air: { readonly pressureHPa?: number; readonly temperatureC?: number } = {},
): SunPosition {
  const julianUt = timeMs / 86_400_000 + 2_440_587.5;
  const year = 2000 + (julianUt - 2_451_545) / 365.25;
  const t = (julianUt + deltaTS(year) / 86_400 - 2_451_545) / 36_525;
  const meanLongitude = 280.46646 + 36_000.76983 * t + 0.0003032 * t * t;
  const anomaly = 357.52911 + 35_999.05029 * t - 0.0001537 * t * t;
  const centre =
    (1.914602 - 0.004817 * t - 0.000014 * t * t) * sin(anomaly) +
    (0.019993 - 0.000101 * t) * sin(2 * anomaly) +
    0.000289 * sin(3 * anomaly);
  const node = 125.04 - 1934.136 * t;
  const longitude = meanLongitude + centre - 0.00569 - 0.00478 * sin(node);
  const obliquity = 23.439291 - 0.0130042 * t + 0.00256 * cos(node);
  const rightAscension = Math.atan2(cos(obliquity) * sin(longitude), cos(longitude)) / degree;
  const declinationDeg = Math.asin(sin(obliquity) * sin(longitude)) / degree;
  const days = julianUt - 2_451_545;
  // Greenwich sidereal time, with the equation of the equinoxes.
  const sidereal = 280.46061837 + 360.98564736629 * days - 0.00478 * sin(node) * cos(obliquity);
  const hour = wrap360(sidereal + longitudeDeg - rightAscension);
  const trueZenith =
    Math.acos(sin(latitudeDeg) * sin(declinationDeg) + cos(latitudeDeg) * cos(declinationDeg) * cos(hour)) /
    degree;
  const azimuthDeg = wrap360(
    180 +
      Math.atan2(
        sin(hour),
        cos(hour) * sin(latitudeDeg) - Math.tan(declinationDeg * degree) * cos(latitudeDeg),
      ) /
        degree,
  );
  // The earth is not a point: the sun stands up to 8.8 seconds of arc lower.
  const elevation = 90 - trueZenith - (8.794 / 3600) * sin(trueZenith);
  const pressureHPa = air.pressureHPa ?? standardPressureHPa(altitudeM);
  return {
    zenithDeg: 90 - elevation - refractionDeg(elevation, pressureHPa, air.temperatureC ?? 10),
    azimuthDeg,
    declinationDeg,
  };
}
