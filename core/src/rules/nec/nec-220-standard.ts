import { generalLoadVA, sumVA, type DwellingLoads } from './dwelling-loads.js';

export interface StandardCalculation {
  readonly generalDemandVA: number;
  readonly fastenedDemandVA: number;
  readonly rangeDemandVA: number;
  readonly dryerDemandVA: number;
  readonly heatingCoolingVA: number;
  readonly totalVA: number;
}

/** Table 220.45: first 3,000 VA at 100 %, up to 120,000 VA at 35 %, the rest at 25 %. */
const lightingDemandVA = (va: number): number =>
  Math.min(va, 3000) + 0.35 * Math.min(Math.max(0, va - 3000), 117_000) + 0.25 * Math.max(0, va - 120_000);

/** Table 220.55, column C, W, for 1 to 5 ranges of not over 12 kW. */
const columnC = [8000, 11_000, 14_000, 17_000, 20_000] as const;

/** Table 220.55 with note 1: 5 % more for each kW, or major part of one, by which the average exceeds 12 kW. */
const rangesDemandVA = (ranges: readonly number[]): number => {
  if (ranges.length === 0) return 0;
  const base = columnC[ranges.length - 1] ?? 15_000 + 1000 * ranges.length;
  const averageVA = sumVA(ranges.map((va) => Math.max(va, 12_000))) / ranges.length;
  return base * (1 + 0.05 * Math.round((averageVA - 12_000) / 1000));
};

/**
 * Standard calculation for a dwelling, NEC Article 220 Part III (2023, recalled; verify against the adopted edition).
 *
 * Lighting and receptacles by Table 220.45; four or more fastened appliances at 75 % (220.53); ranges by Table 220.55;
 * dryers at nameplate, at least 5,000 VA each (220.54); the larger of heating and cooling (220.60).
 */
export function standardDwelling(loads: DwellingLoads): StandardCalculation {
  const generalDemandVA = lightingDemandVA(generalLoadVA(loads));
  const fastenedDemandVA = sumVA(loads.fastenedVA) * (loads.fastenedVA.length >= 4 ? 0.75 : 1);
  const rangeDemandVA = rangesDemandVA(loads.rangeVA);
  const dryerDemandVA = sumVA(loads.dryerVA.map((va) => Math.max(va, 5000)));
  const heatingCoolingVA = Math.max(
    loads.coolingVA,
    loads.heatPumpVA + loads.backupHeatVA + loads.spaceHeatingVA,
  );
  return {
    generalDemandVA,
    fastenedDemandVA,
    rangeDemandVA,
    dryerDemandVA,
    heatingCoolingVA,
    totalVA: generalDemandVA + fastenedDemandVA + rangeDemandVA + dryerDemandVA + heatingCoolingVA,
  };
}
