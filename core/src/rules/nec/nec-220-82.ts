import { generalLoadVA, sumVA, type DwellingLoads } from './dwelling-loads.js';

export interface OptionalCalculation {
  /** 100 % of these. */
  readonly generalVA: number;
  /** First 10 kVA at 100 %, the rest at 40 %. */
  readonly generalDemandVA: number;
  readonly heatingCoolingVA: number;
  readonly totalVA: number;
}

/**
 * Optional calculation for a dwelling, NEC 220.82 (2023, recalled; verify against the adopted edition).
 *
 * General loads: first 10 kVA at 100 %, remainder at 40 %. Heating and cooling: the largest of cooling at 100 %, heat pump
 * at 100 % with its backup heat at 65 %, resistance heating at 65 % with fewer than four separately controlled units and at
 * 40 % with four or more.
 */
export function optionalDwelling(loads: DwellingLoads): OptionalCalculation {
  const generalVA =
    generalLoadVA(loads) + sumVA(loads.fastenedVA) + sumVA(loads.rangeVA) + sumVA(loads.dryerVA);
  const generalDemandVA = Math.min(generalVA, 10_000) + 0.4 * Math.max(0, generalVA - 10_000);
  const heatingCoolingVA = Math.max(
    loads.coolingVA,
    loads.heatPumpVA + 0.65 * loads.backupHeatVA,
    loads.spaceHeatingVA * (loads.spaceHeatingUnits >= 4 ? 0.4 : 0.65),
  );
  return { generalVA, generalDemandVA, heatingCoolingVA, totalVA: generalDemandVA + heatingCoolingVA };
}
