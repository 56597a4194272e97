import {
  arrayPower,
  cosIncidence,
  dayMeansC,
  defaultLosses,
  extraterrestrialWPerM2,
  hayDavies,
  hoursOfYear,
  midHourMs,
  sunPosition,
  totalLoss,
  type WeatherYear,
} from '../../nature/index.js';
import { type LegSet, legShare, type SupplySystem, systemFacts } from '../../electric/index.js';
import { arrayInverterW, type Scenario, type SolarArray, usualReturnMin } from '../../design/index.js';
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
  /** Minutes with a grid after which all of acW is there. */
  readonly returnMin: number;
  /** What of acW is there sooner, from so many minutes on, rising; none where all arrays wait equally long. */
  readonly sooner: readonly { readonly fromMin: number; readonly acW: Float32Array }[];
}

/** Steeper than this an array sheds its snow (common practice, no source). */
const shedsSnowDeg = 60;

/** How snow stays on arrays, see {@link Scenario}. */
export type Snow = NonNullable<Scenario['snow']>;

/**
 * Hourly power of one array through a year, W: AC where it has an inverter of its own, else DC.
 *
 * @param snow "lies": it gives nothing on days whose mean is below freezing, unless it is steep enough to shed the snow
 */
export function hourlyArrayW(array: SolarArray, weather: WeatherYear, snow: Snow = 'slides'): Float64Array {
  const covered = snow === 'lies' && array.tiltDeg < shedsSnowDeg ? dayMeansC(weather.temperatureC) : null;
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
    if (globalWPerM2 <= 0 || (covered && covered[Math.floor(hour / 24)]! < 0)) continue;
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
function addMinutes(hourly: Float64Array, into: Float32Array): void {
  for (let hour = 0; hour < hoursOfYear; hour += 1) {
    const here = hourly[hour]!;
    if (here <= 0) continue;
    const before = hourly[(hour + hoursOfYear - 1) % hoursOfYear]!;
    const after = hourly[(hour + 1) % hoursOfYear]!;
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

/** Arrays on the same legs, minute by minute, and the share of their power on each leg of the supply. */
interface Group {
  readonly minutesW: Float32Array;
  readonly onLegs: readonly number[];
}

/** Takes off, minute by minute, what is above the limit of a leg, in proportion, and then what is above that of the whole. */
function clip(groups: readonly Group[], { perLegVA, solarAcW }: SunLimits, into: Float32Array): void {
  const legCount = groups[0]!.onLegs.length;
  const legShares = new Float64Array(legCount);
  // However it lies on the legs, so much is taken in any case.
  const alwaysW = Math.min(perLegVA, solarAcW);
  for (let minute = 0; minute < into.length; minute += 1) {
    let plainW = 0;
    for (const { minutesW } of groups) plainW += minutesW[minute]!;
    if (plainW <= alwaysW) {
      into[minute] = plainW;
      continue;
    }
    for (let leg = 0; leg < legCount; leg += 1) {
      let onLegW = 0;
      for (const { minutesW, onLegs } of groups) onLegW += minutesW[minute]! * onLegs[leg]!;
      legShares[leg] = onLegW > perLegVA ? perLegVA / onLegW : 1;
    }
    let sumW = 0;
    for (const { minutesW, onLegs } of groups) {
      let share = 1;
      for (let leg = 0; leg < legCount; leg += 1) {
        if (onLegs[leg]! > 0) share = Math.min(share, legShares[leg]!);
      }
      sumW += minutesW[minute]! * share;
    }
    into[minute] = Math.min(solarAcW, sumW);
  }
}

/**
 * Limits that clip arrays just as much, and are the same for all stacks that take them whole: what is given one day is given
 * with any of them.
 */
export function limitsThatClip(
  arrays: readonly SolarArray[],
  limits: SunLimits,
  hourlyOf: (array: SolarArray) => Float64Array,
): SunLimits {
  const most = (coupling: SolarArray['coupling']): number =>
    arrays
      .filter((array) => array.coupling === coupling)
      .reduce((sum, array) => sum + hourlyOf(array).reduce((highest, w) => Math.max(highest, w), 0), 0);
  const [acW, dcW] = [most('ac'), most('dc')];
  return {
    system: limits.system,
    solarDcW: Math.min(limits.solarDcW, dcW),
    solarAcW: Math.min(limits.solarAcW, acW),
    perLegVA: Math.min(limits.perLegVA, acW),
  };
}

/**
 * What arrays give through a year, clipped minute by minute at what takes it: AC-coupled ones at what the battery's inverter
 * absorbs, on each leg and in all; DC-coupled ones at its inputs.
 *
 * @param hourlyOf power of an array by hour of the year
 */
export function sunTrace(
  arrays: readonly SolarArray[],
  limits: SunLimits,
  hourlyOf: (array: SolarArray) => Float64Array,
): SunTrace {
  const dcW = new Float32Array(hoursOfYear * 60);
  for (const array of arrays) if (array.coupling === 'dc') addMinutes(hourlyOf(array), dcW);
  for (let minute = 0; minute < dcW.length; minute += 1) {
    if (dcW[minute]! > limits.solarDcW) dcW[minute] = limits.solarDcW;
  }
  const beside = arrays.filter(({ coupling }) => coupling === 'ac');
  const waits = [...new Set(beside.map(returnMinOf))].toSorted((a, b) => a - b);
  const after = (fromMin: number) => ({
    fromMin,
    acW: clippedAcW(
      beside.filter((array) => returnMinOf(array) <= fromMin),
      limits,
      hourlyOf,
    ),
  });
  const sooner = waits.slice(0, -1).map(after);
  const returnMin = waits.at(-1) ?? usualReturnMin;
  return { dcW, acW: after(returnMin).acW, returnMin, sooner };
}

/** Whole minutes that the inverter of an array waits for a steady grid. */
const returnMinOf = ({ returnsAfterMin }: SolarArray): number => Math.ceil(returnsAfterMin ?? usualReturnMin);

/** What arrays with inverters of their own give together, clipped at what the battery's inverter absorbs. */
function clippedAcW(
  arrays: readonly SolarArray[],
  limits: SunLimits,
  hourlyOf: (array: SolarArray) => Float64Array,
): Float32Array {
  const minutes = hoursOfYear * 60;
  const acW = new Float32Array(minutes);
  const { legs } = systemFacts[limits.system];
  const groups = new Map<LegSet, Group>();
  for (const array of arrays) {
    const group = groups.get(array.legs) ?? {
      minutesW: new Float32Array(minutes),
      onLegs: legs.map((leg) => legShare(limits.system, array.legs, leg)),
    };
    groups.set(array.legs, group);
    addMinutes(hourlyOf(array), group.minutesW);
  }
  if (groups.size > 0) clip([...groups.values()], limits, acW);
  return acW;
}
