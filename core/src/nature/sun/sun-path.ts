import { type Place, refractionDeg, sunPosition } from './sun-position.js';

const degree = Math.PI / 180;
const minutesOfYear = 525_600;
/** Between two of these the sun goes along its circle evenly. */
const stepMin = 60;

/** Where the sun stands in every minute of a year, as a vector of length 1; up is negative below the horizon. */
export interface SunPath {
  readonly east: Float32Array;
  readonly north: Float32Array;
  readonly up: Float32Array;
}

/**
 * The way of the sun through a common year, minute by minute (the middle of each), in the standard time of the place.
 *
 * Every hour is worked out by {@link sunPosition}, refraction included; between, the hour angle turns evenly and the declination runs straight, which is within 0.01° of the sun itself except in the last degree
 * above the horizon, where refraction bends.
 *
 * @param zoneH standard time ahead of universal time, h
 */
export function sunPath(place: Place, zoneH: number): SunPath {
  const east = new Float32Array(minutesOfYear);
  const north = new Float32Array(minutesOfYear);
  const up = new Float32Array(minutesOfYear);
  const from = Date.UTC(2001, 0, 1) - zoneH * 3_600_000;
  const { latitudeDeg } = place;
  const [sinLat, cosLat] = [Math.sin(latitudeDeg * degree), Math.cos(latitudeDeg * degree)];
  const vectorAt = (minute: number): readonly [number, number, number] => {
    const { zenithDeg, azimuthDeg } = sunPosition(from + minute * 60_000, place, { pressureHPa: 0 });
    const flat = Math.sin(zenithDeg * degree);
    return [
      flat * Math.sin(azimuthDeg * degree),
      flat * Math.cos(azimuthDeg * degree),
      Math.cos(zenithDeg * degree),
    ];
  };
  // Seen along the axis of the earth, the sun goes round a circle: hour angle and declination.
  const onCircle = ([e, n, u]: readonly [number, number, number]): readonly [number, number] => {
    const sinDeclination = sinLat * u + cosLat * n;
    const toEquator = cosLat * u - sinLat * n;
    return [Math.atan2(-e, toEquator), Math.asin(Math.max(-1, Math.min(1, sinDeclination)))];
  };
  let [hour, declination] = onCircle(vectorAt(0.5));
  for (let minute = 0; minute < minutesOfYear; minute += stepMin) {
    const [nextHour, nextDeclination] = onCircle(vectorAt(minute + stepMin + 0.5));
    const turn = (((nextHour - hour) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
    for (let step = 0; step < stepMin; step += 1) {
      const share = step / stepMin;
      const angle = hour + turn * share;
      const d = declination + (nextDeclination - declination) * share;
      const [sinD, cosD] = [Math.sin(d), Math.cos(d)];
      const equator = cosD * Math.cos(angle);
      const trueUp = sinLat * sinD + cosLat * equator;
      const raised = trueUp + liftOf(trueUp);
      const at = minute + step;
      east[at] = -cosD * Math.sin(angle);
      north[at] = cosLat * sinD - sinLat * equator;
      up[at] = raised;
    }
    hour = nextHour;
    declination = nextDeclination;
  }
  return { east, north, up };
}

/** How much refraction lifts the sun, in the sine of its elevation, at 1010 hPa and 10 °C; high up nothing that matters here. */
function liftOf(up: number): number {
  if (up < -0.02 || up > 0.9) return 0;
  const elevationDeg = Math.asin(up) / degree;
  return refractionDeg(elevationDeg, 1010, 10) * degree * Math.cos(elevationDeg * degree);
}
