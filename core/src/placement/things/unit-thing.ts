import type { Unit } from '../../equipment/index.js';
import type { Thing } from './thing.js';

/** Usual sizes of units where no data sheet says one: width, height, depth, m, and mass, kg (common practice, no source). */
const usual = {
  storage: [0.7, 1.1, 0.25, 120],
  inverter: [0.5, 0.7, 0.25, 40],
  small: [0.4, 0.6, 0.2, 20],
} as const;

/**
 * One unit of a stack as a thing that finds its place.
 *
 * @param number counted from 1
 * @param of so many of its kind
 */
export function unitThing(unit: Unit, islandId: string, number: number, of: number): Thing {
  const { body } = unit;
  const stands = unit.battery ? 'storage' : unit.inverter ? 'inverter' : 'small';
  const [widthM, heightM, depthM, massKg] = usual[stands];
  return {
    id: `unit:${islandId}:${unit.id}:${number}`,
    name: of === 1 ? unit.name : `${unit.name} no. ${number}`,
    kind: 'unit',
    islandId,
    widthM: body.widthM ?? widthM,
    heightM: body.heightM ?? heightM,
    depthM: body.depthM ?? depthM,
    isSizeAssumed: body.widthM === null || body.heightM === null,
    massKg: unit.massKg ?? massKg,
    energyWh: unit.battery?.nameplateWh ?? 0,
    clear: {
      aboveM: body.clearAboveM ?? 0,
      belowM: body.clearBelowM ?? 0,
      besideM: body.clearBesideM ?? 0,
      frontM: body.clearFrontM ?? 0,
    },
    betweenM: body.betweenM,
    mounting: body.mounting === 'floor' || body.mounting === 'wall-or-floor' ? body.mounting : 'wall',
    outdoors: body.outdoors,
    isOptional: false,
    unit,
  };
}
