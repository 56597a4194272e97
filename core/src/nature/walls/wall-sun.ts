import { hoursOfYear, monthOf } from '../weather/weather-year.js';
import type { SunPath } from '../sun/sun-path.js';

const degree = Math.PI / 180;

/** An upright wall, at one point of it. */
export interface SunnyWall {
  /** Direction it faces, clockwise from north, degrees. */
  readonly facingDeg: number;
  /** An edge that stands out over all its length: how far, and how far above the point; null = none. */
  readonly eaves: { readonly depthM: number; readonly aboveM: number } | null;
  /** Height of what stands around, by direction; straight between, around through north. Empty = flat land. */
  readonly horizon: readonly { readonly azimuthDeg: number; readonly elevationDeg: number }[];
}

/** Direct sun on a wall. */
export interface WallSun {
  /** Minutes of direct sun in each hour of the year. */
  readonly litMin: Uint8Array;
  /** What a square metre of it gets of a beam of 1 W/m², mean over each hour. */
  readonly beamShare: Float32Array;
  /** Mean hours of direct sun a day, by month. */
  readonly hoursByMonth: readonly number[];
  /** Most hours of direct sun on one day. */
  readonly longestH: number;
}

/** Height of the horizon at a direction, as the sine of its elevation. */
function horizonSines(horizon: SunnyWall['horizon']): Float32Array | null {
  if (horizon.every(({ elevationDeg }) => elevationDeg === 0)) return null;
  const sines = new Float32Array(361);
  for (let azimuth = 0; azimuth <= 360; azimuth += 1) {
    const after = horizon.find(({ azimuthDeg }) => azimuthDeg >= azimuth);
    const next = after ?? { ...horizon[0]!, azimuthDeg: horizon[0]!.azimuthDeg + 360 };
    const before = horizon.findLast(({ azimuthDeg }) => azimuthDeg <= azimuth);
    const last = before ?? { ...horizon.at(-1)!, azimuthDeg: horizon.at(-1)!.azimuthDeg - 360 };
    const span = next.azimuthDeg - last.azimuthDeg;
    const share = span <= 0 ? 0 : (azimuth - last.azimuthDeg) / span;
    sines[azimuth] = Math.sin((last.elevationDeg + (next.elevationDeg - last.elevationDeg) * share) * degree);
  }
  return sines;
}

/**
 * Direct sun on an upright wall, minute by minute: the sun is above horizon and land, before the wall, and not behind the eaves. Under eaves of endless length the shadow reaches down from their edge by their
 * depth times the tangent of the sun's profile angle (ASHRAE Fundamentals, fenestration; recalled).
 *
 * @param path of the sun at the place
 */
export function wallSun({ east, north, up }: SunPath, { facingDeg, eaves, horizon }: SunnyWall): WallSun {
  const [outEast, outNorth] = [Math.sin(facingDeg * degree), Math.cos(facingDeg * degree)];
  const sines = horizonSines(horizon);
  // Lit where depth × up / before stays below the height of the edge.
  const steepest = eaves && eaves.depthM > 0 ? Math.max(0, eaves.aboveM) / eaves.depthM : Infinity;
  const litMin = new Uint8Array(hoursOfYear);
  const beamShare = new Float32Array(hoursOfYear);
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    let lit = 0;
    let sum = 0;
    for (let minute = hour * 60; minute < hour * 60 + 60; minute += 1) {
      const height = up[minute]!;
      if (height <= 0) continue;
      const before = east[minute]! * outEast + north[minute]! * outNorth;
      if (before <= 0 || height > steepest * before) continue;
      if (sines) {
        const azimuth = Math.atan2(east[minute]!, north[minute]!) / degree;
        if (height <= sines[Math.round((azimuth + 360) % 360)]!) continue;
      }
      lit += 1;
      sum += before;
    }
    litMin[hour] = lit;
    beamShare[hour] = sum / 60;
  }
  const sumMin = new Array<number>(12).fill(0);
  const days = new Array<number>(12).fill(0);
  let longestMin = 0;
  for (let day = 0; day < 365; day += 1) {
    let ofDay = 0;
    for (let hour = day * 24; hour < day * 24 + 24; hour += 1) ofDay += litMin[hour]!;
    sumMin[monthOf(day)]! += ofDay;
    days[monthOf(day)]! += 1;
    longestMin = Math.max(longestMin, ofDay);
  }
  return {
    litMin,
    beamShare,
    hoursByMonth: sumMin.map((sum, month) => sum / 60 / days[month]!),
    longestH: longestMin / 60,
  };
}

/** Ground sends this much of the light on it back (common practice, no source). */
const albedo = 0.2;

/**
 * Light on an upright wall by the hour, W/m²: beam as it is lit, half of the sky (isotropic; Duffie and Beckman, recalled), half of what the ground sends back.
 */
export function wallLightWPerM2(
  { beamShare }: Pick<WallSun, 'beamShare'>,
  sky: {
    readonly globalWPerM2: Float64Array;
    readonly beamWPerM2: Float64Array;
    readonly diffuseWPerM2: Float64Array;
  },
): Float64Array {
  const light = new Float64Array(hoursOfYear);
  for (let hour = 0; hour < hoursOfYear; hour += 1)
    light[hour] =
      sky.beamWPerM2[hour]! * beamShare[hour]! +
      0.5 * sky.diffuseWPerM2[hour]! +
      0.5 * albedo * sky.globalWPerM2[hour]!;
  return light;
}
