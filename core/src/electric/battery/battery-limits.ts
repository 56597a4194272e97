import type { Chemistry } from './chemistry.js';
import { interpolate } from '../../base/index.js';
import { dayMeansC, hoursOfYear, type WeatherYear } from '../../nature/index.js';

/**
 * Share of its rated charging power a battery takes at a temperature. Lithium must not be charged below freezing, takes little
 * just above, and derates above 50 °C (common practice, no source).
 */
const chargeByTemperature = {
  lithium: [[0, 0.2], [10, 1], [50, 1], [60, 0]],
  'lead-acid': [[-20, 0.3], [10, 1], [50, 1], [60, 0]],
} as const; // prettier-ignore

/** The same for discharging. */
const dischargeByTemperature = {
  lithium: [[-20, 0], [-10, 0.5], [0, 1], [50, 1], [60, 0]],
  'lead-acid': [[-20, 0.5], [0, 1], [50, 1], [60, 0.3]],
} as const; // prettier-ignore

export const chargeShareAt = (chemistry: Chemistry, temperatureC: number): number =>
  chemistry === 'lithium' && temperatureC < 0 ? 0 : interpolate(chargeByTemperature[chemistry], temperatureC);

export const dischargeShareAt = (chemistry: Chemistry, temperatureC: number): number =>
  interpolate(dischargeByTemperature[chemistry], temperatureC);

/** State of charge from which charging slows down, and how little is left of it when full (common practice, no source). */
export const chargeTaper: Readonly<
  Record<Chemistry, { readonly fromShare: number; readonly atFull: number }>
> = {
  lithium: { fromShare: 0.92, atFull: 0.15 },
  'lead-acid': { fromShare: 0.8, atFull: 0.08 },
};

/** State of charge below which discharging slows down, and what is left of it when empty (common practice, no source). */
export const dischargeTaper: Readonly<
  Record<Chemistry, { readonly belowShare: number; readonly atEmpty: number }>
> = {
  lithium: { belowShare: 0.05, atEmpty: 0.5 },
  'lead-acid': { belowShare: 0.1, atEmpty: 0.5 },
};

/**
 * Temperature of a battery through a year, °C by the hour. Outdoors it follows the day's mean; in an unheated room it stays half
 * way between that and 14 °C (common practice, no source).
 */
export function batteryTemperaturesC(
  place: 'as-said' | 'unheated' | 'outdoors',
  saidC: number,
  { temperatureC }: Pick<WeatherYear, 'temperatureC'>,
): Float64Array {
  const hourly = new Float64Array(hoursOfYear).fill(saidC);
  if (place === 'as-said') return hourly;
  dayMeansC(temperatureC).forEach((meanC, day) => {
    hourly.fill(place === 'outdoors' ? meanC : (meanC + 14) / 2, day * 24, day * 24 + 24);
  });
  return hourly;
}
