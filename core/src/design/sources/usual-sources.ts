import { type Supply, systemFacts } from '../../electric/index.js';
import { isSouthern, type Site } from '../../house/index.js';
import type { Generator, SolarArray, Vehicle } from './sources.schema.js';

/** A generator as one would first think of it (common practice, no source). */
export const usualGenerator = (start: Generator['start']): Generator => ({
  id: 'generator',
  circuitId: null,
  existing: false,
  powerW: start === 'auto' ? 7500 : 4500,
  connection: 'beside',
  legs: null,
  start,
  comesAfterMin: start === 'auto' ? 0 : 180,
  startBelow: 0.2,
  stopAbove: 0.9,
  warmUpMin: 2,
  chargerW: start === 'auto' ? 5500 : 3500,
  fuelL: start === 'auto' ? 200 : 40,
  idleLPerH: start === 'auto' ? 1.3 : 0.7,
  fullLPerH: start === 'auto' ? 3.9 : 2.4,
  // Hours in which it may not run decide how long a house lasts: nobody has asked for any yet.
  quiet: null,
  locksSolarOut: true,
  offWhileItRuns: [],
});

/** An array as one would first think of it: on a roof that faces the equator. */
export const usualArray = (
  house: { readonly site: Site; readonly supply: Supply },
  id: string,
  name: string,
): SolarArray => ({
  id,
  name,
  circuitId: null,
  existing: false,
  moreCircuits: [],
  ratedW: 6000,
  modules: null,
  tiltDeg: 30,
  facingDeg: isSouthern(house.site) ? 0 : 180,
  coupling: 'ac',
  inverterW: null,
  legs: systemFacts[house.supply.system].legSets.at(-1)!,
  loss: null,
  horizon: [],
  returnsAfterMin: null,
  shadeByHour: null,
});

/** Solar inverters wait so long for a steady grid (IEEE 1547-2018, enter-service delay; recalled), min. */
export const usualReturnMin = 5;

/** A vehicle that can feed the house, as one would first think of it (common practice, no source). */
export const usualVehicle = (): Vehicle => ({
  id: 'vehicle',
  circuitId: null,
  role: 'source',
  powerW: 5000,
  energyWh: 60_000,
  startCharge: 0.7,
  keeps: 0.3,
  feedsBelow: 0.3,
});
