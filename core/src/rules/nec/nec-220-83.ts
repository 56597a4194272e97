import { allGeneralVA, type DwellingLoads, heatingVA, optionalDemandVA } from './dwelling-loads.js';

export interface ExistingCalculation {
  /** Counted at 8 kVA in full and 40 % of the rest. */
  readonly generalVA: number;
  readonly generalDemandVA: number;
  /** In full; 0 where no heating or cooling is added. */
  readonly heatingCoolingVA: number;
  readonly totalVA: number;
}

/**
 * Existing dwelling with a load added, NEC 220.83 (2023, recalled; verify against the adopted edition): the first 8 kVA in full,
 * the rest at 40 %. Where heating or cooling is added, the larger of both counts in full beside that (B); else it is among
 * the general loads (A).
 */
export function existingDwelling(
  loads: DwellingLoads,
  { addsHeatingOrCooling }: { readonly addsHeatingOrCooling: boolean },
): ExistingCalculation {
  const climateVA = Math.max(loads.coolingVA, heatingVA(loads));
  const generalVA = allGeneralVA(loads) + (addsHeatingOrCooling ? 0 : climateVA);
  const generalDemandVA = optionalDemandVA(generalVA, 8000);
  const heatingCoolingVA = addsHeatingOrCooling ? climateVA : 0;
  return { generalVA, generalDemandVA, heatingCoolingVA, totalVA: generalDemandVA + heatingCoolingVA };
}
