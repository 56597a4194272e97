import { allGeneralVA, type DwellingLoads, optionalDemandVA } from './dwelling-loads.js';
import { largestClimate } from './largest-climate.js';

export interface OptionalCalculation {
  /** 100 % of these. */
  readonly generalVA: number;
  /** First 10 kVA at 100 %, the rest at 40 %. */
  readonly generalDemandVA: number;
  readonly heatingCoolingVA: number;
  /** Of heating and cooling that never run together, the one that counts. */
  readonly counts: 'heating' | 'cooling';
  readonly totalVA: number;
}

/**
 * Optional calculation for a dwelling, NEC 220.82 (2023, recalled; verify against the adopted edition).
 *
 * General loads: first 10 kVA at 100 %, remainder at 40 %. Heating and cooling after {@link largestClimate}.
 */
export function optionalDwelling(loads: DwellingLoads): OptionalCalculation {
  const generalVA = allGeneralVA(loads);
  const generalDemandVA = optionalDemandVA(generalVA, 10_000);
  const { powerVA: heatingCoolingVA, counts } = largestClimate(loads);
  return {
    generalVA,
    generalDemandVA,
    heatingCoolingVA,
    counts,
    totalVA: generalDemandVA + heatingCoolingVA,
  };
}
