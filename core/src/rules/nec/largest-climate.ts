import type { DwellingLoads } from './dwelling-loads.js';

/** Heating and cooling of a dwelling that never run together, and which of them counts. */
export interface DwellingClimate {
  readonly powerVA: number;
  readonly counts: 'cooling' | 'heating';
}

/**
 * Heating and cooling under the optional calculation, 220.82(C) (2023, recalled): the largest of cooling at 100 %, heat pump at
 * 100 % with its backup heat at 65 %, resistance heating at 65 % with fewer than four separately controlled units and at 40 %
 * with four or more.
 */
export function largestClimate(loads: DwellingLoads): DwellingClimate {
  const heatingVA = Math.max(
    loads.heatPumpVA + 0.65 * loads.backupHeatVA,
    loads.spaceHeatingVA * (loads.spaceHeatingUnits >= 4 ? 0.4 : 0.65),
  );
  return loads.coolingVA > heatingVA
    ? { powerVA: loads.coolingVA, counts: 'cooling' }
    : { powerVA: heatingVA, counts: 'heating' };
}
