import { recordHouse, type OutageSample } from '../../commissioning/details.js';
import type { SimulatedHouse } from '../../simulator/index.js';

/** Before the grid goes, and around what is switched, each second counts, s; else every so many. */
const closelyS = 120;
const seldomS = 10;
/** It is watched for so long after the grid is back, h. */
const afterH = 1;

/** A recorded outage of a simulated house, and how warm it was meanwhile. */
export interface SimulatedOutage {
  readonly samples: readonly OutageSample[];
  /** Mean outdoors while the grid was away, °C. */
  readonly outdoorC: number;
}

/** Takes the grid away from a simulated house for some hours and records what its devices show. */
export function simulatedOutage(house: SimulatedHouse, awayH: number): SimulatedOutage {
  const samples: OutageSample[] = [];
  recordHouse(house, samples, closelyS, 1);
  house.switchGrid(false);
  recordHouse(house, samples, closelyS, 1);
  const degrees = [house.outdoorC];
  for (let hour = 0; hour < awayH; hour += 1) {
    recordHouse(house, samples, Math.min(1, awayH - hour) * 3600 - (hour === 0 ? closelyS : 0), seldomS);
    degrees.push(house.outdoorC);
  }
  house.switchGrid(true);
  recordHouse(house, samples, closelyS, 1);
  recordHouse(house, samples, afterH * 3600, seldomS);
  return { samples, outdoorC: degrees.reduce((sum, value) => sum + value, 0) / degrees.length };
}
