import { keepNewest } from '../../base/index.js';
import { type Plan, wallWork } from '../../design/index.js';
import { facingOf, placeKinds, type Wall } from '../../house/index.js';
import {
  hoursOfYear,
  type SunPath,
  sunPath,
  wallLightWPerM2,
  type WallSun,
  wallSun,
  type WeatherYear,
} from '../../nature/index.js';
import type { PlacedThing } from '../things/placed-things.js';
import { cabinetTemperaturesC } from './cabinet-temperatures.js';
import { placeAirC } from './place-air.js';

/** Grey (common practice, no source). */
export const usualAbsorptance = 0.6;
/** Edge of eaves above the ground where nobody measured it, m (common practice, no source). */
const usualEavesM = 2.4;
/** Below this a heater of its own warms the cells, °C (common practice, no source). */
const heaterKeepsC = 5;

/** Sun and temperature of one thing on its wall, through a year of weather. */
export interface ThingClimate {
  /** null = indoors, or nobody knows where the wall faces. */
  readonly sun: WallSun | null;
  /** On its front, by the hour; null = no sun. */
  readonly lightWPerM2: Float64Array | null;
  readonly cabinetC: Float64Array;
}

type Weather = Pick<
  WeatherYear,
  | 'latitudeDeg'
  | 'longitudeDeg'
  | 'altitudeM'
  | 'zoneH'
  | 'globalWPerM2'
  | 'beamWPerM2'
  | 'diffuseWPerM2'
  | 'temperatureC'
>;
type Place = Pick<Plan, 'lot' | 'placement'>;

const paths = new Map<string, SunPath>();
/** Places whose way of the sun is kept: six megabytes each. */
const mostPaths = 3;

function pathOf({ latitudeDeg, longitudeDeg, altitudeM, zoneH }: Weather): SunPath {
  const key = [latitudeDeg, longitudeDeg, zoneH].join();
  return keepNewest(paths, key, mostPaths, () => sunPath({ latitudeDeg, longitudeDeg, altitudeM }, zoneH));
}

/** Direct sun at a height of a wall; null = it is indoors, shaded, or nobody knows where it faces. */
export function sunAt(
  { lot, placement }: Place,
  wall: Wall,
  heightM: number,
  weather: Weather,
): WallSun | null {
  const facingDeg = facingOf(lot, wall);
  if (!placeKinds[wall.place].isOutdoors || facingDeg === null) return null;
  if (wallWork(placement, wall.id).shade === true) return null;
  const { eavesDepthM, eavesHeightM, horizon } = wall;
  const aboveM = (eavesHeightM ?? Math.max(usualEavesM, wall.heightM)) - heightM;
  return wallSun(pathOf(weather), {
    facingDeg,
    eaves: eavesDepthM === null ? null : { depthM: eavesDepthM, aboveM },
    horizon,
  });
}

/** Sun and temperature of a thing where it is put. A wall outdoors of which nobody knows where it faces gets no sun. */
export function thingClimate(plan: Place, placed: PlacedThing, weather: Weather): ThingClimate {
  const { wall, thing, bottomM, heightM } = placed;
  const sun = sunAt(plan, wall, bottomM + heightM / 2, weather);
  const light = sun && wallLightWPerM2(sun, weather);
  return {
    sun,
    lightWPerM2: light,
    cabinetC: cabinetTemperaturesC(
      { ...thing, massKg: thing.massKg ?? 100 },
      placeAirC(wall, weather),
      light,
      plan.placement.absorptance ?? usualAbsorptance,
    ),
  };
}

/** What a heater of its own does to the temperature of cells, and what it draws, W by the hour. */
export function heated(
  cabinetC: Float64Array,
  heaterW: number | null,
): { readonly cellC: Float64Array; readonly heaterW: Float32Array | null } {
  if (heaterW === null || cabinetC.every((c) => c >= heaterKeepsC)) return { cellC: cabinetC, heaterW: null };
  const drawn = new Float32Array(hoursOfYear);
  // It is laid out to hold its cells in the cold its data sheet names; here it works in proportion, all of it 20 °C below.
  const fullAtC = 20;
  const cellC = cabinetC.map((c, hour) => {
    const lackC = heaterKeepsC - c;
    if (lackC <= 0) return c;
    drawn[hour] = heaterW * Math.min(1, lackC / fullAtC);
    return Math.max(c, c + Math.min(lackC, fullAtC));
  });
  return { cellC, heaterW: drawn };
}
