import {
  arrayPower,
  cosIncidence,
  defaultLosses,
  extraterrestrialWPerM2,
  hayDavies,
  hoursOfYear,
  midHourMs,
  sunPosition,
  totalLoss,
  type WeatherYear,
} from '../../nature/index.js';
import { legShare, type SupplySystem, systemFacts } from '../../electric/index.js';
import { arrayInverterW, type SolarArray } from '../../design/index.js';
import { horizonElevationDeg } from './horizon-elevation.js';

/** Share of light that the ground reflects, and of power a cell loses for each °C (common practice, no source). */
const albedo = 0.2;
const temperatureCoefficientPerC = -0.0037;
const inverterEfficiency = 0.96;

/** What arrays give through a year, W at each minute. */
export interface SunTrace {
  /** At the AC side of their own inverters. */
  readonly acW: Float32Array;
  /** At the inputs of the battery's inverter. */
  readonly dcW: Float32Array;
}

/** Hourly power of one array through a year, W: AC where it has an inverter of its own, else DC. */
export function hourlyArrayW(array: SolarArray, weather: WeatherYear): Float64Array {
  const hourly = new Float64Array(hoursOfYear);
  const facts = {
    ratedW: array.ratedW,
    temperatureCoefficientPerC,
    loss: array.loss ?? totalLoss(defaultLosses),
    inverterEfficiency,
    inverterW: arrayInverterW(array),
  };
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    const globalWPerM2 = weather.globalWPerM2[hour]!;
    if (globalWPerM2 <= 0) continue;
    const sun = sunPosition(midHourMs(hour, weather.zoneH), weather);
    const outsideWPerM2 = extraterrestrialWPerM2(Math.floor(hour / 24) + 1);
    const cosine = cosIncidence(sun.zenithDeg, sun.azimuthDeg, array.tiltDeg, array.facingDeg);
    const sky = {
      globalWPerM2,
      beamWPerM2: weather.beamWPerM2[hour]!,
      diffuseWPerM2: weather.diffuseWPerM2[hour]!,
    };
    const plane = hayDavies(sky, sun.zenithDeg, cosine, array.tiltDeg, outsideWPerM2, albedo);
    const behind = 90 - sun.zenithDeg < horizonElevationDeg(array.horizon, sun.azimuthDeg);
    const beamShare = behind ? 0 : 1 - (array.shadeByHour?.[hour % 24] ?? 0);
    const { dcW, acW } = arrayPower(plane, cosine, weather.temperatureC[hour]!, facts, beamShare);
    hourly[hour] = array.coupling === 'ac' ? acW : dcW;
  }
  return hourly;
}

/** Hourly means as minutes: straight lines between the middles of the hours, and dark where an hour is dark. */
function addMinutes(hourly: Float64Array, factor: number, into: Float32Array): void {
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    const here = hourly[hour]! * factor;
    if (here <= 0) continue;
    const before = hourly[(hour + hoursOfYear - 1) % hoursOfYear]! * factor;
    const after = hourly[(hour + 1) % hoursOfYear]! * factor;
    for (let minute = 0; minute < 60; minute += 1) {
      const along = (minute + 0.5) / 60 - 0.5;
      into[hour * 60 + minute]! += here + (along < 0 ? (before - here) * -along : (after - here) * along);
    }
  }
}

/** What stands between arrays and house. */
export interface SunLimits {
  readonly system: SupplySystem;
  /** Solar the stack takes at its own inputs and beside it, W; see {@link Stack}. */
  readonly solarDcW: number;
  readonly solarAcW: number;
  readonly perLegVA: number;
}

/**
 * What arrays give through a year. AC-coupled ones are held to what the battery's inverter can absorb, in all and on each
 * leg; DC-coupled ones to its inputs.
 */
export function sunTrace(arrays: readonly SolarArray[], weather: WeatherYear, limits: SunLimits): SunTrace {
  const minutes = hoursOfYear * 60;
  const trace: SunTrace = { acW: new Float32Array(minutes), dcW: new Float32Array(minutes) };
  if (arrays.length === 0) return trace;
  const sized = arrays.map((array) => ({ array, hourly: hourlyArrayW(array, weather) }));
  const inAll = (coupling: SolarArray['coupling']): number =>
    sized.reduce(
      (sum, { array }) =>
        sum + (array.coupling !== coupling ? 0 : coupling === 'dc' ? array.ratedW : arrayInverterW(array)),
      0,
    );
  const takes = (limitW: number, havingW: number): number => (havingW > limitW ? limitW / havingW : 1);
  const acShare = takes(limits.solarAcW, inAll('ac'));
  const dcShare = takes(limits.solarDcW, inAll('dc'));
  const { legs } = systemFacts[limits.system];
  const legTakes = legs.map((leg) => {
    const onLegW = sized.reduce(
      (sum, { array }) =>
        sum +
        (array.coupling === 'ac'
          ? arrayInverterW(array) * acShare * legShare(limits.system, array.legs, leg)
          : 0),
      0,
    );
    return takes(limits.perLegVA, onLegW);
  });
  for (const { array, hourly } of sized) {
    if (array.coupling === 'dc') addMinutes(hourly, dcShare, trace.dcW);
    else {
      const share = Math.min(
        ...legs.flatMap((leg, i) => (legShare(limits.system, array.legs, leg) > 0 ? [legTakes[i]!] : [])),
        1,
      );
      addMinutes(hourly, acShare * share, trace.acW);
    }
  }
  return trace;
}
