import { hoursOfYear } from '../../nature/index.js';

/** Heat a cabinet gives off to the air around it, W for each m² and °C: still air and what it radiates (common practice, no source). */
const surfaceWPerM2C = 10;
/** Heat it takes to warm a kilogram of it, Wh/°C: cells and steel, some 1000 J/kgK (common practice, no source). */
const heatWhPerKgC = 1000 / 3600;

/** A cabinet on its wall. */
export interface Cabinet {
  readonly widthM: number;
  readonly heightM: number;
  readonly depthM: number;
  readonly massKg: number;
}

/**
 * Temperature of a cabinet through a year, °C by the hour: it follows the air and the sun on its front with the delay of its mass. Front, sides, top and bottom give heat off, the back does not.
 *
 *     C dT/dt = α I A_front − U A (T − T_air)
 *
 * solved exactly from hour to hour; its own losses are left out (they are small beside the sun).
 *
 * @param airC air around it, by the hour
 * @param lightWPerM2 light on its front, by the hour; null = no sun
 * @param absorptance share of it that is taken up
 */
export function cabinetTemperaturesC(
  { widthM, heightM, depthM, massKg }: Cabinet,
  airC: Float64Array,
  lightWPerM2: Float64Array | null,
  absorptance: number,
): Float64Array {
  const front = widthM * heightM;
  const givesOff = surfaceWPerM2C * (front + 2 * depthM * (widthM + heightM));
  const keeps = Math.exp(-givesOff / (massKg * heatWhPerKgC));
  const cabinet = new Float64Array(hoursOfYear);
  let now = airC[0]!;
  // The first day is played twice: the year begins as it would go on.
  for (let hour = -24; hour < hoursOfYear; hour += 1) {
    const at = hour < 0 ? hour + 24 : hour;
    const rise = lightWPerM2 ? (absorptance * lightWPerM2[at]! * front) / givesOff : 0;
    const towards = airC[at]! + rise;
    now = towards + (now - towards) * keeps;
    if (hour >= 0) cabinet[hour] = now;
  }
  return cabinet;
}
